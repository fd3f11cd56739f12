import { describe, expect, it } from 'vitest'
import type { Change } from '../api/changes'
import type { TickView } from '../api/types'
import { besides } from './outbox'
import { withWaiting } from './waitingTicks'

const tick = (stepKey: string, more: Partial<TickView> = {}): TickView => ({
  stepKey,
  revision: 1,
  outcome: 'open',
  note: '',
  startedAt: null,
  doneAt: null,
  seen: '',
  ...more,
})

const said = (step: string, change: object, job = 'j'): Change => ({
  id: step,
  job,
  what: 'tick',
  step,
  tick: change,
})

describe('ticks that wait for the laptop', () => {
  it('are shown as they will be, over those that are known and for steps nobody has touched', () => {
    const shown = withWaiting(
      [tick('a', { note: 'old' })],
      [said('a', { outcome: 'as-said' }), said('b', { note: 'green lamp' }), said('a', { note: 'new' })],
      'j',
    )
    expect(shown).toHaveLength(2)
    expect(shown.find((one) => one.stepKey === 'a')).toMatchObject({ outcome: 'as-said', note: 'new' })
    expect(shown.find((one) => one.stepKey === 'b')).toMatchObject({ outcome: 'open', note: 'green lamp' })
  })

  it('of another job, or no ticks at all, are none of its business', () => {
    const other: Change = { id: 'u', job: 'j', what: 'undo', side: 'found' }
    expect(withWaiting([], [said('a', { outcome: 'as-said' }, 'k'), other, undefined], 'j')).toEqual([])
  })
})

describe('what two have said about one step', () => {
  it('keeps both notes, each once', () => {
    expect(besides(tick('a', { note: 'lamp green' }), { note: 'slow' })).toEqual({ note: 'lamp green\nslow' })
    expect(besides(tick('a', { note: 'lamp green, slow' }), { note: 'slow' })).toEqual({
      note: 'lamp green, slow',
    })
    expect(besides(tick('a', { note: 'slow' }), { note: 'slow, lamp green' })).toEqual({
      note: 'slow, lamp green',
    })
    expect(besides(tick('a'), { note: 'slow' })).toEqual({ note: 'slow' })
  })

  it('does not make “something else” into “as said”', () => {
    expect(besides(tick('a', { outcome: 'something-else' }), { outcome: 'as-said' })).toEqual({
      outcome: 'something-else',
    })
    expect(besides(tick('a', { outcome: 'as-said' }), { outcome: 'something-else' })).toEqual({
      outcome: 'something-else',
    })
    expect(besides(tick('a', { outcome: 'as-said' }), { outcome: 'open' })).toEqual({ outcome: 'open' })
  })
})
