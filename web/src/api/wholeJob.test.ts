import { expect, test } from 'vitest'
import type { JobAnswer, JobView } from './types'
import { wholeJob } from './wholeJob'

const house = (name: string) => ({ document: { name } })
const answer = (rest: object) =>
  ({
    id: 'j',
    version: 3,
    name: 'House',
    ofFound: { undo: 'Move', redo: null },
    ofPlanned: { undo: null, redo: 'Name' },
    plan: { deeds: 0, held: [], isAsFound: false },
    ...rest,
  }) as unknown as JobAnswer

test('a house that is left out is the one the page has, at the new version', () => {
  const had = wholeJob(answer({ version: 2, found: house('found'), planned: house('planned') }))
  const now = wholeJob(answer({ planned: house('planned anew') }), had)
  expect(now.found).toMatchObject({ document: { name: 'found' }, revision: 3, undo: 'Move' })
  expect(now.planned).toMatchObject({ document: { name: 'planned anew' }, revision: 3, redo: 'Name' })
})

test('where nothing is planned the planned house is the one as found, with its own undo', () => {
  const plan = { deeds: 0, held: [], isAsFound: true }
  const now: JobView = wholeJob(answer({ found: house('found'), plan }))
  expect(now.planned.document).toBe(now.found.document)
  expect(now.planned.undo).toBeNull()
  expect(now.planned.redo).toBe('Name')
})

test('an answer to which nothing can be added is no job', () => {
  expect(() => wholeJob(answer({ planned: house('planned') }))).toThrow()
})
