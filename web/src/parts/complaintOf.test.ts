import { expect, test } from 'vitest'
import type { Need } from '../api/types'
import { complaintIn, complaintOf } from './complaintOf'

const want = (need: object) => need as Need

test('a want that fails on site is a complaint, and is read back', () => {
  expect(complaintIn(complaintOf(want({ kind: 'reach', from: 'a', to: 'b/c' })))).toEqual({
    kind: 'reach',
    blanks: ['a', 'b/c'],
  })
  expect(complaintIn(complaintOf(want({ kind: 'inbound', endpoint: 'nvr', port: 8443 })))).toEqual({
    kind: 'outside',
    blanks: ['nvr 8443'],
  })
})

test('a want that nobody can see fail is none, nor is another word of an address', () => {
  expect(complaintOf(want({ kind: 'single-nat' }))).toBeNull()
  expect(complaintIn('household')).toBeNull()
})
