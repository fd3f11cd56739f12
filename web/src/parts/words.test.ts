// @vitest-environment node
import { describe, expect, it } from 'vitest'
import { shorten } from '../features/address/addressWords'
import { clock } from './clock'
import { changeWords, verdictWords } from './words'

describe('words', () => {
  it.each([
    [{ wantsHeld: 2, wants: 7, faults: 3, cautions: 2 }, '2 of 7 wants hold · 3 faults · 2 cautions'],
    [{ wantsHeld: 7, wants: 7, faults: 0, cautions: 0 }, 'all 7 wants hold · no faults'],
    [{ wantsHeld: 1, wants: 1, faults: 0, cautions: 1 }, 'the want holds · 1 caution'],
    [{ wantsHeld: 0, wants: 0, faults: 1, cautions: 0 }, 'no wants yet · 1 fault'],
  ])('say a verdict', (verdict, words) => expect(verdictWords(verdict)).toBe(words))

  it.each([
    [{ wantsHeld: 3, wants: 7, faults: 2, cautions: 2 }, 'one fault fewer, one want more held'],
    [
      { wantsHeld: 0, wants: 7, faults: 5, cautions: 1 },
      'two faults more, one caution fewer, two wants fewer held',
    ],
    [{ wantsHeld: 3, wants: 8, faults: 3, cautions: 2 }, 'one want more held, one want more'],
    [{ wantsHeld: 2, wants: 7, faults: 14, cautions: 2 }, '11 faults more'],
  ])('say what has become of a verdict', (now, words) =>
    expect(changeWords({ wantsHeld: 2, wants: 7, faults: 3, cautions: 2 }, now)).toBe(words),
  )

  it.each([
    ['192.168.31.20/24', ['192.168.31.0/24'], '.20'],
    ['192.168.0.50/24', ['192.168.31.0/24'], '192.168.0.50'],
    ['192.168.31.20/24', ['192.168.31.0/24', '10.0.0.0/8'], '192.168.31.20'],
    ['10.0.0.9/8', ['10.0.0.0/8'], '10.0.0.9'],
  ])('shorten %s where the tread says the rest', (address, subnets, short) =>
    expect(shorten(address, subnets)).toBe(short),
  )

  it.each([
    [0, '0:00'],
    [72, '1:12'],
    [600, '10:00'],
  ])('tell %i seconds as a clock', (seconds, text) => expect(clock(seconds)).toBe(text))
})
