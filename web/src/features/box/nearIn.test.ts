import { expect, test } from 'vitest'
import type { House } from '../../api/types'
import { nearIn, soleSender } from './nearIn'

const box = (id: string, room: string, ssid: string, radio = '2g', enabled?: boolean) => ({
  id,
  name: id,
  room,
  radios: [
    { id: '2g', band: '2.4' },
    { id: '5g', band: '5' },
  ],
  wifi: [{ radio, ssid, enabled }],
})
const house = {
  name: 'Farm',
  rooms: [{ id: 'east-wing', name: 'East wing' }],
  devices: [
    box('main', 'kitchen', 'hawthorn', '5g'),
    box('sat', 'East wing', 'hawthorn'),
    box('off', 'attic', 'hawthorn', '2g', false),
    box('one', 'landing', 'hawthorn'),
    box('two', 'Landing', 'hawthorn'),
  ],
} as unknown as House

test('a thing hears best the one box of its room that sends the name', () => {
  expect(nearIn(house, 'Kitchen', 'hawthorn')).toBe('main')
  expect(nearIn(house, 'east-wing', 'hawthorn')).toBe('sat')
  expect(nearIn(house, 'kitchen', 'oak')).toBeUndefined()
  expect(nearIn(house, 'attic', 'hawthorn')).toBeUndefined()
  expect(nearIn(house, 'landing', 'hawthorn')).toBeUndefined()
})

test('a partner is named where one box alone sends the name on the band', () => {
  expect(soleSender(house, 'hawthorn', '5')).toBe('main')
  expect(soleSender(house, 'hawthorn', '2.4')).toBeUndefined()
  expect(soleSender({ ...house, devices: [] }, 'hawthorn', '5')).toBeUndefined()
})
