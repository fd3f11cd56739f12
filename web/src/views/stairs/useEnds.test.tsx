import { act, renderHook } from '@testing-library/react'
import { expect, test } from 'vitest'
import { useEnds } from './useEnds'

const was = { start: '.100', end: '.199' }

/** Fields whose server answers when it is told to. */
function fields() {
  const sent: { ends: string[]; answer: (problem?: string) => void }[] = []
  const hook = renderHook(
    ({ held }) => useEnds(held, (...ends) => new Promise((answer) => sent.push({ ends, answer }))),
    { initialProps: { held: was } },
  )
  return { sent, hook, ends: () => hook.result.current }
}

test('the second end goes with the first, which has not been answered', () => {
  const { sent, ends } = fields()
  void ends().put('.210', '.230')
  void ends().put(ends().now().start, '.240')
  expect(sent[1].ends).toEqual(['.210', '.240'])
})

test('or has been, and is not drawn yet', async () => {
  const { sent, ends } = fields()
  void ends().put('.210', '.230')
  await act(async () => sent[0].answer())
  void ends().put(ends().now().start, '.240')
  expect(sent[1].ends).toEqual(['.210', '.240'])
})

test('what somebody else set since it was drawn counts', async () => {
  const { sent, ends, hook } = fields()
  void ends().put('.210', '.230')
  await act(async () => sent[0].answer())
  hook.rerender({ held: { start: '.210', end: '.230' } })
  hook.rerender({ held: { start: '.50', end: '.60' } })
  expect(ends().now()).toEqual({ start: '.50', end: '.60' })
})

test('what was refused is not sent along with the other end', async () => {
  const { sent, ends } = fields()
  void ends().put('nonsense', '.230')
  await act(async () => sent[0].answer('“nonsense” is no IPv4 address.'))
  expect(ends().now()).toEqual(was)
})

test('an answer to the first, drawn while the second waits, does not put the second back', async () => {
  const { sent, ends, hook } = fields()
  void ends().put('.210', '.250')
  void ends().put('.210', '.230')
  await act(async () => sent[0].answer())
  expect(ends().now().end).toBe('.230')
  hook.rerender({ held: { start: '.210', end: '.250' } })
  expect(ends().now().end).toBe('.230')
})
