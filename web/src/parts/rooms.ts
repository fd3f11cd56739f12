import type { House, Room } from '../api/types'

const same = (a: string, b: string) => a.toLowerCase() === b.toLowerCase()

/** Does the word mean this room: by its id, or by what the household calls it? */
export const isRoom = (room: Pick<Room, 'id' | 'name'>, word: string) =>
  same(room.id, word) || same(room.name, word)

/** The same room, listed or only said. */
export const areSameRoom = (house: House, a: string, b: string) =>
  same(a, b) || (house.rooms ?? []).some((room) => isRoom(room, a) && isRoom(room, b))
