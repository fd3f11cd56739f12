import { plugOf } from '../../api/attachment'
import type { House, Socket } from '../../api/types'

export type Occupant =
  | { kind: 'cable'; id: string; far: Socket }
  | { kind: 'thing'; id: string }
  | { kind: 'line'; id: 'line' }

const keyOf = (socket: Socket) => `${socket.device}/${socket.port}`

/** A house does not change; what is in its sockets is looked up once. */
const known = new WeakMap<House, Map<string, Occupant>>()

/** What is in a socket, as the document says. */
export function occupantOf(house: House, socket: Socket): Occupant | null {
  let all = known.get(house)
  if (!all) {
    all = new Map()
    for (const thing of house.endpoints ?? []) {
      const plug = plugOf(thing)
      if (plug) all.set(keyOf(plug), { kind: 'thing', id: thing.id })
    }
    for (const cable of house.cables ?? []) {
      all.set(keyOf(cable.a), { kind: 'cable', id: cable.id, far: cable.b })
      all.set(keyOf(cable.b), { kind: 'cable', id: cable.id, far: cable.a })
    }
    if (house.line) all.set(keyOf(house.line), { kind: 'line', id: 'line' })
    known.set(house, all)
  }
  return all.get(keyOf(socket)) ?? null
}

/** An id that nothing in the house has yet. */
export function freshId(house: House, stem: string): string {
  const taken = new Set([
    ...(house.devices ?? []).map((d) => d.id),
    ...(house.endpoints ?? []).map((e) => e.id),
    ...(house.cables ?? []).map((cable) => cable.id),
  ])
  if (!taken.has(stem)) return stem
  let n = 2
  while (taken.has(`${stem}${n}`)) n++
  return `${stem}${n}`
}
