import { renderHook } from '@testing-library/react'
import { afterEach, expect, test } from 'vitest'
import { useHeldPage } from './useHeldPage'

const held = () => document.documentElement.style.overflow === 'hidden'
const sheet = (isOpen = true) =>
  renderHook(({ open }) => useHeldPage(open), { initialProps: { open: isOpen } })

afterEach(() => {
  document.body.replaceChildren()
})

test('the page is held while a sheet lies on it', () => {
  const one = sheet(false)
  expect(held()).toBe(false)
  one.rerender({ open: true })
  expect(held()).toBe(true)
  one.rerender({ open: false })
  expect(held()).toBe(false)
})

test('and until the last of several has gone', () => {
  const [one, other] = [sheet(), sheet()]
  one.unmount()
  expect(held()).toBe(true)
  other.unmount()
  expect(held()).toBe(false)
})

test('a frame as high as the window has nothing to hold', () => {
  const frame = document.createElement('div')
  frame.className = 'frame'
  document.body.append(frame)
  const one = sheet()
  expect(held()).toBe(false)
  one.unmount()
})
