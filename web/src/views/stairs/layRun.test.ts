import { expect, test } from 'vitest'
import type { House } from '../../api/types'
import { layRun } from './layRun'

const house = {
  name: 'House',
  rooms: [{ id: 'hall', name: 'Hall' }],
  runs: [{ id: 'hall-loft', a: 'hall', b: 'hall', laid: true }],
} as unknown as House

test('a cable to a room that is not listed lists it, whatever the case of the other', () => {
  const deed = layRun(house, 'HALL', 'Loft', 'powerline') as unknown as House
  expect(deed.rooms).toEqual([
    { id: 'hall', name: 'Hall' },
    { id: 'loft', name: 'Loft' },
  ])
  expect(deed.runs?.[1]).toEqual({ id: 'hall-loft-2', a: 'hall', b: 'loft', medium: 'powerline', laid: true })
})

test('nothing of the house is lost by it', () => {
  const deed = layRun({ ...house, country: 'GB' } as House, 'Hall', 'Hall', 'ethernet') as unknown as House
  expect(deed.country).toBe('GB')
  expect(deed.rooms).toHaveLength(1)
  expect(deed.runs).toHaveLength(2)
})
