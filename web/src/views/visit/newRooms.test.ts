import { expect, test } from 'vitest'
import { newRooms } from './newRooms'

const hall = { id: 'hall', name: 'Hall', floor: 0 }

test('one room, or several between commas', () => {
  expect(newRooms(' barn ', '0', [hall])).toEqual([{ id: 'barn', name: 'Barn', floor: 0 }])
  expect(newRooms('east wing, attic;', '2', [hall])).toEqual([
    { id: 'east-wing', name: 'East wing', floor: 2 },
    { id: 'attic', name: 'Attic', floor: 2 },
  ])
})

test.each([
  ['', '0', /^Room: empty/],
  [' , ', '0', /^Room: empty/],
  ['loft, HALL', '0', /^There is a room Hall already/],
  ['loft, Loft', '0', /^There is a room Loft already/],
  ['loft', 'top', /^Floor: “top”/],
])('“%s” on floor %s is refused', (text, floor, says) => {
  expect(newRooms(text, floor, [hall])).toMatch(says)
})
