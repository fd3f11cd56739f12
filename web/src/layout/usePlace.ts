import { useEffect, useMemo, useRef } from 'react'
import { useLocation, useNavigate, useSearchParams } from 'react-router'

/** What the address says beside the stage: which house, what is chosen, which section of its panel, which sheet lies on top, which step, and whether it is played. */
export type PlaceName = 'side' | 'box' | 'tab' | 'open' | 'step' | 'play'
type Turn = Partial<Record<PlaceName, string | null>>

/** Kept with an entry of the history: the search that was there before the thing was opened, and how many entries ago. */
type Opened = Partial<Record<PlaceName, { from: string; ago: number }>>

/** These lie over the page: Back closes the last of them. */
const lies: PlaceName[] = ['box', 'tab', 'open', 'play']

export function searchAfter(search: string, turn: Turn): string {
  const params = new URLSearchParams(search)
  for (const [name, value] of Object.entries(turn))
    if (value) params.set(name, value)
    else params.delete(name)
  return params.toString()
}

/** How the history goes on: a new entry, this one changed, or back to where it was before. */
export function nextEntry(search: string, opened: Opened, turn: Turn) {
  const now = new URLSearchParams(search)
  const to = searchAfter(search, turn)
  const names = Object.keys(turn) as PlaceName[]
  const closes = names.filter((name) => !turn[name] && now.has(name))
  const opens = names.filter((name) => turn[name] && lies.includes(name) && !now.has(name))
  const changes = names.filter((name) => turn[name] && now.has(name) && now.get(name) !== turn[name])
  const back = closes.map((name) => opened[name]).find((one) => one?.from === to)
  if (opens.length === 0 && changes.length === 0 && back) return { back: back.ago }
  // One thing in the place of another: choosing a second box closes the first.
  const isSwap = closes.some((name) => lies.includes(name)) || changes.every((name) => name === 'box')
  const push = opens.length > 0 ? !closes.length : !isSwap || names.includes('side') || names.includes('step')
  const older = Object.entries(opened).filter(([name]) => !closes.includes(name as PlaceName))
  const state: Opened = Object.fromEntries(
    older.map(([name, one]) => [name, { ...one, ago: one.ago + (push ? 1 : 0) }]),
  )
  if (push) for (const name of opens) state[name] = { from: new URLSearchParams(search).toString(), ago: 1 }
  return { to, push, state }
}

/** Where one is, and how to go on from there. The same function for as long as the page is open. */
export function usePlace() {
  const [params] = useSearchParams()
  const navigate = useNavigate()
  const location = useLocation()
  const latest = useRef({ search: '', opened: {} as Opened, navigate })
  latest.current = { search: params.toString(), opened: (location.state?.opened ?? {}) as Opened, navigate }
  const gone = useRef(false)
  useEffect(() => {
    gone.current = false
    return () => {
      gone.current = true
    }
  }, [])
  const turn = useMemo(
    () => (to: Turn) => {
      // An answer that comes after the person has gone elsewhere takes him nowhere.
      if (gone.current) return
      const { search, opened, navigate } = latest.current
      if (searchAfter(search, to) === search) return
      const next = nextEntry(search, opened, to)
      if (next.back) return void navigate(-next.back)
      // Two turns in one breath: the second goes on from the first.
      latest.current.search = next.to ?? search
      latest.current.opened = next.state ?? {}
      void navigate({ search: next.to }, { replace: !next.push, state: { opened: next.state } })
    },
    [],
  )
  return { params, turn }
}
