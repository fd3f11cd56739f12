import { afterEach, beforeEach, expect, test, vi } from 'vitest'
import { focusOn } from './focusOn'

/** What a page shows at first, and more of it later. */
const show = (html: string) => document.body.insertAdjacentHTML('beforeend', html)
const focused = () => document.activeElement?.id

beforeEach(() => {
  document.body.innerHTML = ''
  vi.useFakeTimers()
})

afterEach(() => {
  vi.runAllTimers()
  vi.useRealTimers()
})

test('What is drawn late still gets the focus', () => {
  focusOn('#stop')
  vi.advanceTimersByTime(6000)
  show('<h3 id="stop" tabindex="-1"></h3>')
  vi.advanceTimersByTime(50)
  expect(focused()).toBe('stop')
})

test('A dialog that hands the focus back a little later does not keep it', () => {
  show('<button id="opener"></button><h3 id="stop" tabindex="-1"></h3><div role="dialog"></div>')
  focusOn('#stop')
  vi.advanceTimersByTime(300)
  expect(focused()).not.toBe('stop')
  document.querySelector('[role=dialog]')?.remove()
  vi.advanceTimersByTime(20)
  document.getElementById('opener')?.focus()
  vi.advanceTimersByTime(50)
  expect(focused()).toBe('stop')
})

test.each(['keydown', 'pointerdown'])('After a %s nobody is fetched back', (act) => {
  focusOn('#stop')
  window.dispatchEvent(new Event(act))
  show('<h3 id="stop" tabindex="-1"></h3>')
  vi.advanceTimersByTime(1000)
  expect(focused()).not.toBe('stop')
})

test('Of two that are waited for the later is meant', () => {
  focusOn('#first')
  focusOn('#later')
  show('<h3 id="first" tabindex="-1"></h3><h3 id="later" tabindex="-1"></h3>')
  vi.advanceTimersByTime(1000)
  expect(focused()).toBe('later')
})

test('Once it is there long enough it may be left', () => {
  show('<h3 id="stop" tabindex="-1"></h3><a id="link" href="#x"></a>')
  focusOn('#stop')
  vi.advanceTimersByTime(1000)
  document.getElementById('link')?.focus()
  vi.advanceTimersByTime(1000)
  expect(focused()).toBe('link')
})
