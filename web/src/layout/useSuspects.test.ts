import { expect, test } from 'vitest'
import { suspectsOf } from './useSuspects'

test('a box that several causes name is as suspect as the likeliest of them', () => {
  const found = {
    causes: [
      { sure: 0.6, boxes: ['gw'] },
      { sure: 0.4, boxes: ['gw', 'ap'] },
    ],
  }
  expect([...suspectsOf({ found })]).toEqual([
    ['gw', 0.6],
    ['ap', 0.4],
  ])
  expect(suspectsOf({ found: null }).size).toBe(0)
})
