import { useMutation, useQueryClient } from '@tanstack/react-query'
import { createContext, type ReactNode, useContext, useMemo, useRef } from 'react'
import { useSearchParams } from 'react-router'
import { ApiProblem } from '../api/client'
import { adoptPlan, answerHeld, doDeeds, job as jobQuery, redo, undo } from '../api/queries'
import type { Action, HeldDeed, HouseView, JobView, ProvenFix, Side } from '../api/types'
import { useNotices } from '../state/notices'

/** What is on screen. */
export type JobScreen = { job: JobView; side: Side; house: HouseView; selected: string | null }

/** What can be done; the same functions for as long as the job is open, so that pieces which use them need not be drawn anew. */
export type JobTools = {
  select: (id: string | null) => void
  show: (side: Side) => void
  /** Does the deeds to the house on screen; the reason when the server refuses them. */
  act: (actions: Action[], say?: string) => Promise<ApiProblem | undefined>
  /** Puts a fix into the plan, whichever house is on screen, and shows the plan. */
  plan: (fix: ProvenFix) => Promise<void>
  adopt: (actions: Action[], say: string) => Promise<void>
  /** Takes a planned deed that cannot be done out of the plan, or keeps it until it can. */
  answer: (held: HeldDeed, what: 'take-out' | 'keep') => Promise<void>
  back: () => Promise<void>
  forth: () => Promise<void>
}

const Screen = createContext<JobScreen | null>(null)
const Tools = createContext<JobTools | null>(null)

function inside<T>(value: T | null): T {
  if (!value) throw new Error('Outside a job.')
  return value
}

export const useJob = (): JobScreen => inside(useContext(Screen))
export const useTools = (): JobTools => inside(useContext(Tools))

export function JobProvider({ job, children }: { job: JobView; children: ReactNode }) {
  const [params, setParams] = useSearchParams()
  const queries = useQueryClient()
  const side: Side = params.get('side') === 'planned' ? 'planned' : 'found'
  const house = side === 'planned' ? job.planned : job.found
  const selected = params.get('box')
  const screen = useMemo(() => ({ job, side, house, selected }), [job, side, house, selected])

  const latest = useRef({ job, side, setParams })
  latest.current = { job, side, setParams }

  const key = useMemo(() => jobQuery(job.id).queryKey, [job.id])
  // One change after the other, each with the version that the one before has made: quick fingers are no second tab.
  const { mutateAsync: change } = useMutation<JobView, Error, (version: number) => Promise<JobView>>({
    scope: { id: `job ${job.id}` },
    mutationFn: (ask) => ask((queries.getQueryData<JobView>(key) ?? latest.current.job).version),
    onSuccess: (after) => {
      queries.setQueryData(key, after)
    },
    onError: async (error) => {
      if (error instanceof ApiProblem && error.status === 409)
        await queries.invalidateQueries({ queryKey: key })
    },
  })

  const tools = useMemo<JobTools>(() => {
    const say = useNotices.getState().say
    const now = () => queries.getQueryData<JobView>(key) ?? latest.current.job
    const shown = () => (latest.current.side === 'planned' ? now().planned : now().found)
    const set = (name: string, value: string | null) =>
      latest.current.setParams(
        (old) => {
          const after = new URLSearchParams(old)
          if (value) after.set(name, value)
          else after.delete(name)
          return after
        },
        { replace: name === 'box' },
      )

    const attempt = async (ask: (version: number) => Promise<JobView>): Promise<ApiProblem | undefined> => {
      try {
        await change(ask)
        return undefined
      } catch (error) {
        return error instanceof ApiProblem ? error : new ApiProblem(0, 'That did not work.')
      }
    }
    const orSay = async (ask: (version: number) => Promise<JobView>, done: string) => {
      const problem = await attempt(ask)
      say(problem?.message ?? done, problem ? 'problem' : 'done')
    }
    const { id } = job
    return {
      select: (box) => set('box', box),
      show: (to) => set('side', to === 'planned' ? 'planned' : null),
      act: (actions, words) => {
        const on = latest.current.side
        return attempt((version) => doDeeds(id, on, version, actions, words))
      },
      plan: async (fix) => {
        // “Give it .2” is clear under its finding and nowhere else: one deed alone the server logs in its own words.
        await orSay(
          (version) =>
            doDeeds(id, 'planned', version, fix.actions, fix.actions.length === 1 ? undefined : fix.say),
          `Planned: ${fix.say}`,
        )
        set('side', 'planned')
      },
      adopt: (actions, words) =>
        orSay((version) => adoptPlan(id, version, actions, words), `Planned: ${words}`),
      answer: (held, what) =>
        orSay(
          (version) => answerHeld(id, version, held.index, what),
          `${what === 'keep' ? 'Kept for later' : 'Taken out of the plan'}: ${held.say}`,
        ),
      back: async () => {
        const [on, what] = [latest.current.side, shown().undo]
        if (what) await orSay((version) => undo(id, on, version), `Undone: ${what}`)
      },
      forth: async () => {
        const [on, what] = [latest.current.side, shown().redo]
        if (what) await orSay((version) => redo(id, on, version), `Done again: ${what}`)
      },
    }
  }, [job.id, queries, key, change])

  return (
    <Tools.Provider value={tools}>
      <Screen.Provider value={screen}>{children}</Screen.Provider>
    </Tools.Provider>
  )
}
