import {
  type DehydratedState,
  dehydrate,
  hydrate,
  type Mutation,
  MutationCache,
  QueryCache,
  QueryClient,
} from '@tanstack/react-query'
import { type Change, sendHouseChange, sendTick, type TickChange } from '../api/changes'
import { ApiProblem } from '../api/client'
import { job as jobQuery, workOrder } from '../api/queries'
import type { JobView, TickView, WorkOrderView } from '../api/types'
import { wholeJob } from '../api/wholeJob'
import { letGoOfOlder } from './olderAnswers'
import { serverIsAway } from './server'
import { isGuest } from './thisPage'
import { askedNow } from './way'

/** Changes on their way to the server: one after the other, kept through a reload, tried again by themselves. */
export const changeKey = ['change'] as const

/** Changes of one job keep their order. */
export const scopeOf = (job: string) => ({ id: `job ${job}` })

export const untouched = (stepKey: string): TickView => ({
  stepKey,
  revision: 0,
  outcome: 'open',
  note: '',
  startedAt: null,
  doneAt: null,
  seen: '',
})

const noAnswer = (error: unknown) => error instanceof ApiProblem && error.isNoAnswer

type TickSaid = Extract<Change, { what: 'tick' }>

/** Says what was seen at a step; where somebody else has said something meanwhile, both are kept. */
async function sendTickOf(queries: QueryClient, change: TickSaid, version: number): Promise<TickView> {
  const asked = askedNow(change.job)
  const order = workOrder(change.job, version, asked)
  const known = queries.getQueryData<WorkOrderView>(order.queryKey) ?? (await queries.fetchQuery(order))
  const of = (view: WorkOrderView) =>
    view.ticks.find((one) => one.stepKey === change.step) ?? untouched(change.step)
  try {
    return await sendTick(change, of(known), asked)
  } catch (error) {
    if (!(error instanceof ApiProblem) || error.status !== 409) throw error
    const now = of(await queries.fetchQuery({ ...order, staleTime: 0 }))
    return await sendTick({ ...change, tick: besides(now, change.tick) }, now, asked)
  }
}

/** Nothing that anybody has written down is lost: of two notes both, of two sightings the one that is no “as said”. */
export function besides(now: TickView, said: TickChange): TickChange {
  const note =
    said.note && now.note && !said.note.includes(now.note)
      ? now.note.includes(said.note)
        ? now.note
        : `${now.note}\n${said.note}`
      : said.note
  const outcome =
    now.outcome === 'something-else' && said.outcome === 'as-said' ? 'something-else' : said.outcome
  return { ...said, ...(note === undefined ? {} : { note }), ...(outcome ? { outcome } : {}) }
}

async function send(queries: QueryClient, change: Change): Promise<void> {
  try {
    const job =
      queries.getQueryData<JobView>(jobQuery(change.job).queryKey) ??
      (await queries.fetchQuery(jobQuery(change.job)))
    if (change.what !== 'tick') {
      const after = wholeJob(await sendHouseChange(change, job.version), job)
      // What was asked before this is older than this.
      await queries.cancelQueries({ queryKey: jobQuery(change.job).queryKey, exact: true })
      queries.setQueryData(jobQuery(change.job).queryKey, after)
      return
    }
    const tick = await sendTickOf(queries, change, job.version)
    queries.setQueryData<WorkOrderView>(
      workOrder(change.job, job.version, askedNow(change.job)).queryKey,
      (old) => old && { ...old, ticks: [...old.ticks.filter((one) => one.stepKey !== tick.stepKey), tick] },
    )
  } catch (error) {
    if (noAnswer(error)) serverIsAway()
    if (error instanceof ApiProblem && error.status === 409)
      await queries.invalidateQueries({ queryKey: ['job', change.job] })
    throw error
  }
}

export function makeQueries(): QueryClient {
  const queries = new QueryClient({
    mutationCache: new MutationCache(),
    queryCache: new QueryCache({ onError: (error) => void (noAnswer(error) && serverIsAway()) }),
    defaultOptions: {
      queries: {
        retry: (count, error) => count < 1 && !noAnswer(error),
        staleTime: 5_000,
        refetchOnWindowFocus: true,
        networkMode: 'always',
        // A phone goes on alone with what it has: nothing of it is let go.
        gcTime: isGuest ? Number.POSITIVE_INFINITY : 300_000,
      },
      mutations: { networkMode: 'always' },
    },
  })
  letGoOfOlder(queries.getQueryCache())
  queries.setMutationDefaults(changeKey, {
    mutationFn: (change: Change) => send(queries, change),
    // No answer is no refusal: it waits until there is one. Everything else is for the person to hear.
    retry: (_, error) => noAnswer(error),
    retryDelay: 500,
    networkMode: 'online',
    // What was sent is done with: eight hours of work must not pile up in the page.
    gcTime: 10_000,
  })
  return queries
}

const isWaiting = (one: Mutation) =>
  one.state.status === 'pending' && one.options.mutationKey?.[0] === changeKey[0]

const stem = 'altrin.outbox.'

/** Writes down what waits, so that a closed tab or a reload loses nothing; takes over what a tab that is gone had left. */
export async function keepOutbox(queries: QueryClient) {
  const tab = newTabName()
  // Held for as long as this tab lives; nobody else takes its changes meanwhile.
  void navigator.locks?.request(stem + tab, () => new Promise(() => {}))
  for (const key of Object.keys(localStorage).filter((one) => one.startsWith(stem)))
    await takeOver(queries, key, tab)
  queries.getMutationCache().subscribe(() => write(queries, tab))
  await queries.resumePausedMutations()
}

const newTabName = () => `${Date.now().toString(36)}${Math.random().toString(36).slice(2, 8)}`

async function takeOver(queries: QueryClient, key: string, tab: string) {
  const take = () => {
    const left = localStorage.getItem(key)
    if (!left) return
    try {
      const state = JSON.parse(left) as DehydratedState
      // What was under way when the tab went is sent again: its id makes it once.
      for (const one of state.mutations) one.state.isPaused = true
      hydrate(queries, state)
      write(queries, tab)
    } catch {
      // Unreadable: there is nothing to be had of it.
    }
    localStorage.removeItem(key)
  }
  if (!navigator.locks) return take()
  await navigator.locks.request(key, { ifAvailable: true }, async (lock) => {
    if (lock) take()
  })
}

function write(queries: QueryClient, tab: string) {
  const waiting = dehydrate(queries, {
    shouldDehydrateQuery: () => false,
    shouldDehydrateMutation: isWaiting,
  })
  if (waiting.mutations.length === 0) localStorage.removeItem(stem + tab)
  else localStorage.setItem(stem + tab, JSON.stringify(waiting))
}
