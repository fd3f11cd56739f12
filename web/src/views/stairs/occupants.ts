import { plugOf } from '../../api/attachment'
import type { House, Socket } from '../../api/types'
import { sameSocket } from '../../state/hand'

export type Occupant =
  | { kind: 'cable'; id: string; far: Socket }
  | { kind: 'thing'; id: string }
  | { kind: 'line'; id: 'line' }

/** What is in a socket, as the document says. */
export function occupantOf(house: House, socket: Socket): Occupant | null {
  if (house.line && house.line.device === socket.device && house.line.port === socket.port)
    return { kind: 'line', id: 'line' }
  for (const cable of house.cables ?? []) {
    if (sameSocket(cable.a, socket)) return { kind: 'cable', id: cable.id, far: cable.b }
    if (sameSocket(cable.b, socket)) return { kind: 'cable', id: cable.id, far: cable.a }
  }
  const thing = (house.endpoints ?? []).find((one) => {
    const plug = plugOf(one)
    return plug && sameSocket(plug, socket)
  })
  return thing ? { kind: 'thing', id: thing.id } : null
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
