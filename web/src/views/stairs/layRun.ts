import type { Action, CableRun, House, Room } from '../../api/types'
import { describing } from '../../layout/useDescribe'
import { idOf } from '../../parts/idOf'

/** A cable that lies between two rooms is noted; a room that is not on the list yet goes there with it. */
export function layRun(house: House, from: string, to: string, medium: CableRun['medium']): Action {
  const rooms = [...(house.rooms ?? [])]
  const runs = house.runs ?? []
  const roomOf = (name: string): string => {
    const known = rooms.find((one) => same(one.id, name) || same(one.name, name))
    if (known) return known.id
    const id = idOf(
      name,
      rooms.map((one) => one.id),
    )
    rooms.push({ id, name: name.trim() } as Room)
    return id
  }
  const [a, b] = [roomOf(from), roomOf(to)]
  const id = idOf(
    `${a}-${b}`,
    runs.map((one) => one.id),
  )
  return describing(house, { rooms, runs: [...runs, { id, a, b, medium, laid: true } as CableRun] })
}

const same = (a: string, b: string) => a.trim().toLowerCase() === b.trim().toLowerCase()
