import { describe, expect, it } from 'vitest'
import type { Change } from '../api/changes'
import { pack, unpack } from './carried'

const tick = (step: string, tick: object, job = 'j'): Change => ({ id: step, job, what: 'tick', step, tick })

describe('what is carried to the laptop at another address', () => {
  it('comes out as it went in, in any script', () => {
    const text = pack([tick('a1', { outcome: 'as-said' }), tick('b2', { note: 'Lämpchen grün ✓ “2”' })], 'j')
    expect(text).toMatch(/^[\w-]+$/)
    expect(unpack(text ?? '')).toEqual([
      { step: 'a1', tick: { outcome: 'as-said' } },
      { step: 'b2', tick: { note: 'Lämpchen grün ✓ “2”' } },
    ])
  })

  it('is the ticks of that job alone, and not without end', () => {
    const undo: Change = { id: 'u', job: 'j', what: 'undo', side: 'found' }
    expect(unpack(pack([undo, tick('a1', { note: 'x' }, 'k'), undefined], 'j') ?? '')).toEqual([])
    expect(pack([tick('a1', { note: 'x'.repeat(90_000) })], 'j')).toBeNull()
  })

  it.each([
    '',
    '%%%',
    'bm9uc2Vuc2U',
    btoa('{"step":"a"}'),
    btoa('[null,7,{"step":"../x","tick":{"note":"n"}},{"step":"a","tick":{"outcome":"gone"}}]'),
    btoa('[{"step":"a","tick":{"startedAt":"yesterday"}},{"what":"deeds","actions":[]}]'),
  ])('of what anybody wrote there nothing is taken: %s', (text) => {
    expect(unpack(text)).toEqual([])
  })
})
