import { QueryClient, QueryObserver } from '@tanstack/react-query'
import { describe, expect, it } from 'vitest'
import { letGoOfOlder, questionOf } from './olderAnswers'

const begin = () => {
  const queries = new QueryClient()
  letGoOfOlder(queries.getQueryCache())
  const answer = (...key: unknown[]) =>
    queries.fetchQuery({ queryKey: ['job', 'j', ...key], queryFn: () => 'said' })
  const kept = () =>
    queries
      .getQueryCache()
      .getAll()
      .map((one) => one.queryKey.slice(2).join(' '))
  return { queries, answer, kept }
}

describe('answers about an earlier house', () => {
  it('go when the same is answered of a later one, and only then', async () => {
    const { answer, kept } = begin()
    await answer('air', 'found', 3)
    await answer('air', 'planned', 3)
    await answer('trace', 'found', 3, 'printer')
    await answer('trace', 'found', 3, 'lounge')
    await answer('work-order', 3, '', '')
    await answer('air', 'found', 4)
    await answer('trace', 'found', 4, 'lounge')
    await answer('work-order', 4, '', '')
    expect(kept()).toEqual([
      'air planned 3',
      'trace found 3 printer',
      'air found 4',
      'trace found 4 lounge',
      'work-order 4  ',
    ])
  })

  it('of an older house, come late, push nothing newer away', async () => {
    const { answer, kept } = begin()
    await answer('log', 9)
    await answer('log', 8)
    expect(kept()).toEqual(['log 9', 'log 8'])
  })

  it('stay for as long as they are shown', async () => {
    const { queries, answer, kept } = begin()
    const leave = new QueryObserver(queries, {
      queryKey: ['job', 'j', 'log', 1],
      queryFn: () => 'said',
    }).subscribe(() => {})
    await answer('log', 2)
    expect(kept()).toEqual(['log 1', 'log 2'])
    leave()
    await answer('log', 3)
    expect(kept()).toEqual(['log 3'])
  })

  it('are told from what has no version', () => {
    expect(questionOf(['jobs', '', 60])).toBeNull()
    expect(questionOf(['job', 'j'])).toBeNull()
    expect(questionOf(['job', 'j', 'photos'])).toBeNull()
    expect(questionOf(['job', 'j', 'rehearsal', 7, '', '', 2, 'step'])?.version).toBe(7)
    expect(questionOf(['job', 'j', 'reckon', 'found', 7, '192.168.1.1'])?.version).toBe(7)
  })
})
