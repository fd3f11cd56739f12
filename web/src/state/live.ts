import type { QueryClient } from '@tanstack/react-query'
import { pageName } from './thisPage'

/** Something was changed; @param by the page that did it. */
type Note = { job: string; what: string; by?: string | null }

const address = '/api/changes'
const word = 'altrin.changes'
const againMs = 5_000

/** What others change comes by itself. One page of this browser listens for all: a browser opens six connections to a place, and a page needs them. */
export function listenForChanges(queries: QueryClient) {
  const channel = new BroadcastChannel(word)
  const hear = (note: Note) => {
    if (note.by !== pageName) void refresh(queries, note)
  }
  channel.onmessage = (event: MessageEvent<Note>) => hear(event.data)
  const listen = () =>
    listenHere((note) => {
      hear(note)
      channel.postMessage(note)
    })
  // Held for as long as this page lives; then another takes over.
  if (navigator.locks) void navigator.locks.request(word, () => new Promise(listen))
  else listen()
}

function listenHere(hear: (note: Note) => void) {
  const source = new EventSource(address)
  source.onmessage = (event) => hear(JSON.parse(event.data) as Note)
  source.onerror = () => {
    // A refusal ends it for good; a lost line it takes up again by itself.
    if (source.readyState === EventSource.CLOSED) setTimeout(() => listenHere(hear), againMs)
  }
}

async function refresh(queries: QueryClient, { job, what }: Note) {
  const of = (queryKey: readonly unknown[], exact = false) => queries.invalidateQueries({ queryKey, exact })
  switch (what) {
    case 'beat':
      return
    case 'hello':
      // What was missed meanwhile nobody says: the houses and the ticks are asked for anew, what is computed of them follows.
      await queries.invalidateQueries({
        predicate: ({ queryKey: [first, , part] }) =>
          first === 'jobs' || (first === 'job' && (part === undefined || part === 'work-order')),
      })
      return
    case 'jobs':
      return of(['jobs'])
    case 'house':
      return of(['job', job], true)
    default:
      return of(['job', job, what])
  }
}
