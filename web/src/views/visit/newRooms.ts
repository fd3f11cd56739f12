import type { Room } from '../../api/types'
import { idOf } from '../../parts/idOf'

/** The rooms of “kitchen, pantry, hall”, or what is wrong with one of them. */
export function newRooms(text: string, floor: string, rooms: Room[]): Room[] | string {
  const names = text
    .split(/[,;]/)
    .map((name) => name.trim())
    .filter(Boolean)
  if (names.length === 0) return 'Room: empty. Write what the household calls it.'
  if (!Number.isInteger(Number(floor))) return `Floor: “${floor}” is no floor. Write 0 for the ground floor.`
  const all = [...rooms]
  for (const name of names) {
    const there = all.find((room) => room.name.toLowerCase() === name.toLowerCase())
    if (there) return `There is a room ${there.name} already.`
    const id = idOf(
      name,
      all.map((room) => room.id),
    )
    all.push({ id, name: `${name[0].toUpperCase()}${name.slice(1)}`, floor: Number(floor) })
  }
  return all.slice(rooms.length)
}
