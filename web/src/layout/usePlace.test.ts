import { describe, expect, it } from 'vitest'
import { nextEntry } from './usePlace'

/** A browser's history, as far as it matters here. */
class Walk {
  entries = [{ search: '', opened: {} as Parameters<typeof nextEntry>[1] }]
  at = 0
  turn(to: Parameters<typeof nextEntry>[2]) {
    const now = this.entries[this.at]
    const next = nextEntry(now.search, now.opened, to)
    if (next.back) this.at -= next.back
    else {
      const entry = { search: next.to ?? '', opened: next.state ?? {} }
      if (next.push) this.entries = [...this.entries.slice(0, ++this.at), entry]
      else this.entries[this.at] = entry
    }
    return this
  }
  back() {
    this.at--
    return this
  }
  get search() {
    return this.entries[this.at].search
  }
}

describe('going back', () => {
  it('closes sheet, section and panel in turn', () => {
    const walk = new Walk().turn({ box: 'gw', tab: null }).turn({ tab: 'wan' }).turn({ open: 'log' })
    expect(walk.search).toBe('box=gw&tab=wan&open=log')
    expect(walk.back().search).toBe('box=gw&tab=wan')
    expect(walk.back().search).toBe('box=gw')
    expect(walk.back().search).toBe('')
  })

  it('does not open again what was closed by hand', () => {
    const walk = new Walk().turn({ open: 'find' }).turn({ open: null })
    expect([walk.search, walk.at]).toEqual(['', 0])
  })

  it('closes a panel with its section in one go', () => {
    const walk = new Walk().turn({ box: 'gw', tab: null }).turn({ tab: 'wan' }).turn({ box: null, tab: null })
    expect([walk.search, walk.at]).toEqual(['', 0])
  })

  it('keeps what was done meanwhile: a plan looked at stays looked at', () => {
    const walk = new Walk()
      .turn({ box: 'gw', tab: null })
      .turn({ side: 'planned' })
      .turn({ box: null, tab: null })
    expect(walk.search).toBe('side=planned')
  })

  it('takes a second box for the first', () => {
    const walk = new Walk().turn({ box: 'gw', tab: null }).turn({ box: 'studio', tab: null })
    expect([walk.search, walk.at]).toEqual(['box=studio', 1])
    expect(walk.turn({ box: null, tab: null }).at).toBe(0)
  })

  it('takes the box that was found for the search', () => {
    const walk = new Walk().turn({ open: 'find' }).turn({ open: null, box: 'gw', tab: null })
    expect([walk.search, walk.at]).toEqual(['box=gw', 1])
    expect(walk.back().search).toBe('')
  })
})
