import { describe, expect, it } from 'vitest'
import { Steady, unseenFor } from './steady'

const here = { clientX: 100, clientY: 40 }
const element = () => document.createElement('button')

function watch() {
  const clock = { now: 1000 }
  return { clock, steady: new Steady(() => clock.now) }
}

describe('what comes under the pointer by itself', () => {
  it('takes no press until it could be seen', () => {
    const { clock, steady } = watch()
    const [first, next] = [element(), element()]
    steady.over(first, here)
    steady.moved(here)
    expect(steady.takes(first, here)).toBe(true)
    // The answer came, and the next finding's fix lies where the first one's was.
    steady.over(next, here)
    clock.now += unseenFor - 1
    expect(steady.takes(next, here)).toBe(false)
    clock.now += 2
    expect(steady.takes(next, here)).toBe(true)
  })

  it('is known without a hover too, as on a phone: the second half of a double tap', () => {
    const { clock, steady } = watch()
    expect(steady.takes(element(), here)).toBe(true)
    clock.now += 200
    expect(steady.takes(element(), { clientX: 102, clientY: 41 })).toBe(false)
  })
})

describe('what a hand goes to', () => {
  it('takes a press at once', () => {
    const { clock, steady } = watch()
    const [first, other] = [element(), element()]
    steady.over(first, here)
    steady.moved(here)
    expect(steady.takes(first, here)).toBe(true)
    const there = { clientX: 160, clientY: 40 }
    clock.now += 50
    steady.over(other, there)
    steady.moved(there)
    expect(steady.takes(other, there)).toBe(true)
  })

  it('takes a press too where the hand went away and came back', () => {
    const { clock, steady } = watch()
    expect(steady.takes(element(), here)).toBe(true)
    clock.now += 90
    steady.moved({ clientX: 1, clientY: 1 })
    steady.moved(here)
    expect(steady.takes(element(), here)).toBe(true)
  })

  it('may be pressed again and again', () => {
    const { clock, steady } = watch()
    const plus = element()
    for (let n = 0; n < 5; n++) {
      expect(steady.takes(plus, here)).toBe(true)
      clock.now += 80
    }
  })
})

describe('by key', () => {
  it('a second Enter does not press what the focus was put on in between', () => {
    const { clock, steady } = watch()
    expect(steady.takesKey(element())).toBe(true)
    clock.now += 100
    const next = element()
    expect(steady.takesKey(next)).toBe(false)
    clock.now += unseenFor
    expect(steady.takesKey(next)).toBe(true)
  })

  it('who went on by Tab presses at once', () => {
    const { clock, steady } = watch()
    expect(steady.takesKey(element())).toBe(true)
    clock.now += 60
    steady.wentOn()
    expect(steady.takesKey(element())).toBe(true)
  })
})
