import { useMutation, useQueryClient } from '@tanstack/react-query'
import { createContext, type ReactNode, useContext, useMemo } from 'react'
import { useSearchParams } from 'react-router'
import { ApiProblem } from '../api/client'
import { adoptPlan, doDeeds, job as jobQuery, redo, undo } from '../api/queries'
import type { Action, HouseView, JobView, ProvenFix, Side } from '../api/types'
import { useNotices } from '../state/notices'

export type JobTools = {
  job: JobView
  side: Side
  house: HouseView
  selected: string | null
  select: (id: string | null) => void
  show: (side: Side) => void
  /** Does the deeds to the house on screen; the reason when the server refuses them. */
  act: (actions: Action[], say?: string) => Promise<ApiProblem | undefined>
  /** Puts a fix into the plan, whichever house is on screen, and shows the plan. */
  plan: (fix: ProvenFix) => Promise<void>
  adopt: (actions: Action[], say: string) => Promise<void>
  back: () => Promise<void>
  forth: () => Promise<void>
  busy: boolean
}

const Context = createContext<JobTools | null>(null)

export function useJob(): JobTools {
  const tools = useContext(Context)
  if (!tools) throw new Error('Outside a job.')
  return tools
}

export function JobProvider({ job, children }: { job: JobView; children: ReactNode }) {
  const [params, setParams] = useSearchParams()
  const queries = useQueryClient()
  const say = useNotices((store) => store.say)
  const side: Side = params.get('side') === 'planned' ? 'planned' : 'found'

  const change = useMutation({
    mutationFn: (ask: () => Promise<JobView>) => ask(),
    onSuccess: (after) => queries.setQueryData(jobQuery(job.id).queryKey, after),
  })

  const tools = useMemo<JobTools>(() => {
    const set = (name: string, value: string | null) =>
      setParams(
        (now) => {
          const after = new URLSearchParams(now)
          if (value) after.set(name, value)
          else after.delete(name)
          return after
        },
        { replace: name === 'box' },
      )
    const attempt = async (ask: () => Promise<JobView>): Promise<ApiProblem | undefined> => {
      try {
        await change.mutateAsync(ask)
        return undefined
      } catch (error) {
        const problem = error instanceof ApiProblem ? error : new ApiProblem(0, 'That did not work.')
        if (problem.status === 409) await queries.invalidateQueries({ queryKey: jobQuery(job.id).queryKey })
        return problem
      }
    }
    const orSay = async (ask: () => Promise<JobView>, done?: string) => {
      const problem = await attempt(ask)
      if (problem) say(problem.message, 'problem')
      else if (done) say(done)
    }
    const house = side === 'planned' ? job.planned : job.found
    return {
      job,
      side,
      house,
      selected: params.get('box'),
      select: (id) => set('box', id),
      show: (to) => set('side', to === 'planned' ? 'planned' : null),
      act: (actions, words) => attempt(() => doDeeds(job.id, side, job.version, actions, words)),
      plan: async (fix) => {
        await orSay(
          () => doDeeds(job.id, 'planned', job.version, fix.actions, fix.say),
          `Planned: ${fix.say}`,
        )
        set('side', 'planned')
      },
      adopt: (actions, words) =>
        orSay(() => adoptPlan(job.id, job.version, actions, words), `Planned: ${words}`),
      back: async () => {
        if (house.undo) await orSay(() => undo(job.id, side, job.version), `Undone: ${house.undo}`)
      },
      forth: async () => {
        if (house.redo) await orSay(() => redo(job.id, side, job.version), `Done again: ${house.redo}`)
      },
      busy: change.isPending,
    }
  }, [job, side, params, setParams, change.mutateAsync, change.isPending, queries, say])

  return <Context.Provider value={tools}>{children}</Context.Provider>
}
