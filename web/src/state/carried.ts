import { create } from 'zustand'
import type { Change, TickChange } from '../api/changes'

/** A tick that waited at the laptop's old address. */
export type CarriedTick = { step: string; tick: TickChange }

const mark = '#carried='
const mostLetters = 60_000
const outcomes = ['open', 'as-said', 'something-else']

/** What waits of a job, as text for an address: after the # it is never sent. Null: too much for that. */
export function pack(waiting: (Change | undefined)[], job: string): string | null {
  const ticks = waiting.flatMap((change) =>
    change?.what === 'tick' && change.job === job ? [{ step: change.step, tick: change.tick }] : [],
  )
  const bytes = new TextEncoder().encode(JSON.stringify(ticks))
  const text = btoa(Array.from(bytes, (byte) => String.fromCharCode(byte)).join(''))
    .replaceAll('+', '-')
    .replaceAll('/', '_')
    .replaceAll('=', '')
  return text.length > mostLetters ? null : text
}

/** Reads it again; what is no tick is left out, for anybody can write an address. */
export function unpack(text: string): CarriedTick[] {
  try {
    const raw = atob(text.replaceAll('-', '+').replaceAll('_', '/'))
    const list: unknown = JSON.parse(new TextDecoder().decode(Uint8Array.from(raw, (c) => c.charCodeAt(0))))
    return Array.isArray(list) ? list.flatMap(read) : []
  } catch {
    return []
  }
}

function read(one: { step?: unknown; tick?: Record<string, unknown> } | null): CarriedTick[] {
  const { outcome, note, startedAt } = one?.tick ?? {}
  if (typeof one?.step !== 'string' || !/^[0-9a-z]{1,64}$/.test(one.step)) return []
  const tick: TickChange = {
    ...(typeof outcome === 'string' && outcomes.includes(outcome)
      ? { outcome: outcome as TickChange['outcome'] }
      : {}),
    ...(typeof note === 'string' ? { note: note.slice(0, 4000) } : {}),
    ...(typeof startedAt === 'string' && !Number.isNaN(Date.parse(startedAt)) ? { startedAt } : {}),
  }
  return Object.keys(tick).length ? [{ step: one.step, tick }] : []
}

/** Asked about before anything of it is taken in. */
export const useCarried = create<{ ticks: CarriedTick[] }>(() => ({ ticks: [] }))

/** Takes what came with the address off it. */
export function receiveCarried() {
  if (!window.location.hash.startsWith(mark)) return
  useCarried.setState({ ticks: unpack(window.location.hash.slice(mark.length)) })
  window.history.replaceState(window.history.state, '', window.location.pathname + window.location.search)
}
