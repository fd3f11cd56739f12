import { expect, test } from 'vitest'
import { numberIn } from './numberIn'

test.each([
  ['38', 38],
  [' 12,5 ', 12.5],
  ['12.5', 12.5],
  ['−3', -3],
  ['', Number.NaN],
  ['  ', Number.NaN],
  ['1.234,5', Number.NaN],
  ['fast', Number.NaN],
])('“%s” is %s', (text, number) => {
  expect(numberIn(text)).toBe(number)
})
