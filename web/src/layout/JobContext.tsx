import { useMutation, useQueryClient } from '@tanstack/react-query'
import { createContext, type ReactNode, useContext, useMemo, useRef } from 'react'
import { type Asked, type Change, newChangeId, type TickChange } from '../api/changes'
import { ApiProblem } from '../api/client'
import { job as jobQuery } from '../api/queries'
import type { Action, HeldDeed, HouseView, JobView, ProvenFix, Side } from '../api/types'
import { looksOnlyWords, useLooking } from '../state/looking'
import { say } from '../state/notices'
import { changeKey, scopeOf } from '../state/outbox'
import { usePlace } from './usePlace'

/** What is on screen. */
export type JobScreen = { job: JobView; side: Side; house: HouseView; selected: string | null }

/** What can be done; the same functions for as long as the job is open, so that pieces which use them need not be drawn anew. */
export type JobTools = {
  select: (id: string | null) => void
  show: (side: Side) => void
  /** Does the deeds to the house on screen; the reason when the server refuses them. */
  act: (actions: Action[], say?: string) => Promise<ApiProblem | undefined>
  /** Puts a fix into the plan, whichever house is on screen, and shows the plan. */
  plan: (fix: ProvenFix) => Promise<boolean>
  adopt: (actions: Action[], say: string) => Promise<boolean>
  /** Takes a planned deed that cannot be done out of the plan, or keeps it until it can. */
  answer: (held: HeldDeed, what: 'take-out' | 'keep') => Promise<boolean>
  /** What was seen at a step of the work order. */
  tick: (step: string, change: TickChange) => Promise<boolean>
  back: () => Promise<void>
  forth: () => Promise<void>
}

const Screen = createContext<JobScreen | null>(null)
const Tools = createContext<JobTools | null>(null)

const tickPatienceMs = 400

const later = (ms: number) => new Promise<true>((done) => setTimeout(() => done(true), ms))

function inside<T>(value: T | null): T {
  if (!value) throw new Error('Outside a job.')
  return value
}

export const useJob = (): JobScreen => inside(useContext(Screen))
export const useTools = (): JobTools => inside(useContext(Tools))

export function JobProvider({ job, children }: { job: JobView; children: ReactNode }) {
  const { params, turn } = usePlace()
  const queries = useQueryClient()
  const side: Side = params.get('side') === 'planned' ? 'planned' : 'found'
  const house = side === 'planned' ? job.planned : job.found
  const selected = params.get('box')
  const screen = useMemo(() => ({ job, side, house, selected }), [job, side, house, selected])

  const latest = useRef({ job, side })
  latest.current = { job, side }

  // One change after the other, each with the version that the one before has made: quick fingers are no second tab.
  const { mutateAsync: change } = useMutation<void, Error, Change>({
    mutationKey: changeKey,
    scope: scopeOf(job.id),
  })

  const tools = useMemo<JobTools>(() => {
    const { queryKey } = jobQuery(job.id)
    const now = () => queries.getQueryData<JobView>(queryKey) ?? latest.current.job
    const shown = () => (latest.current.side === 'planned' ? now().planned : now().found)

    const attempt = async (asked: Asked<Change>): Promise<ApiProblem | undefined> => {
      // Nothing is sent that would be refused.
      if (useLooking.getState().looksOnly) return new ApiProblem(403, looksOnlyWords)
      try {
        const drawn = asked.what === 'deeds' ? { drawn: latest.current.job.version } : {}
        await change({ ...asked, ...drawn, id: newChangeId(), job: job.id } as Change)
        return undefined
      } catch (error) {
        return error instanceof ApiProblem ? error : new ApiProblem(-1, 'That did not work.')
      }
    }
    const orSay = async (asked: Asked<Change>, done?: string) => {
      const problem = await attempt(asked)
      if (problem) say(problem.message, 'problem')
      else if (done) say(done)
      return !problem
    }
    return {
      select: (box) => turn(box ? { box, tab: null } : { box: null, tab: null }),
      show: (to) => turn({ side: to === 'planned' ? 'planned' : null }),
      act: (actions, words) => attempt({ what: 'deeds', side: latest.current.side, actions, say: words }),
      plan: async (fix) => {
        // “Give it .2” is clear under its finding and nowhere else: one deed alone the server logs in its own words.
        const words = fix.actions.length === 1 ? undefined : fix.say
        const done = await orSay(
          { what: 'deeds', side: 'planned', actions: fix.actions, say: words },
          `Planned: ${fix.say}`,
        )
        if (done) turn({ side: 'planned' })
        return done
      },
      adopt: (actions, words) => orSay({ what: 'adopt', actions, say: words }, `Planned: ${words}`),
      answer: (held, what) =>
        orSay(
          { what: 'held', index: held.index, answer: what },
          `${what === 'keep' ? 'Kept for later' : 'Taken out of the plan'}: ${held.say}`,
        ),
      // While the laptop is away the work goes on: what was seen is kept here, shown, and handed in later.
      tick: (step, tick) => Promise.race([orSay({ what: 'tick', step, tick }), later(tickPatienceMs)]),
      back: async () => {
        const what = shown().undo
        if (what) await orSay({ what: 'undo', side: latest.current.side }, `Undone: ${what}`)
      },
      forth: async () => {
        const what = shown().redo
        if (what) await orSay({ what: 'redo', side: latest.current.side }, `Done again: ${what}`)
      },
    }
  }, [job.id, queries, change, turn])

  return (
    <Tools.Provider value={tools}>
      <Screen.Provider value={screen}>{children}</Screen.Provider>
    </Tools.Provider>
  )
}

/** Another house on the same screen, to be looked at: nothing in it can be changed. */
export function LookAt(props: { house: HouseView; selected: string | null; children: ReactNode }) {
  const { house, selected, children } = props
  const { job } = useJob()
  const { select, show } = useTools()
  const screen = useMemo(() => ({ job, side: 'planned' as Side, house, selected }), [job, house, selected])
  const tools = useMemo<JobTools>(() => {
    const no = async () => false
    return {
      select,
      show,
      act: async () => new ApiProblem(-1, 'This is a rehearsal: nothing is changed in it.'),
      plan: no,
      adopt: no,
      answer: no,
      tick: no,
      back: async () => {},
      forth: async () => {},
    }
  }, [select, show])
  return (
    <Tools.Provider value={tools}>
      <Screen.Provider value={screen}>{children}</Screen.Provider>
    </Tools.Provider>
  )
}
