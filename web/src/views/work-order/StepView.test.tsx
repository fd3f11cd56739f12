import { ChakraProvider } from '@chakra-ui/react'
import { act, cleanup, fireEvent, render, screen } from '@testing-library/react'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import type { TickView, WorkStep } from '../../api/types'
import { system } from '../../theme'
import { StepView } from './StepView'

// The sealed store has its tests in the browser; here it is enough that the step offers the password by name.
vi.mock('../../parts/Secret', () => ({ Secret: ({ label }: { label: string }) => <p>{label}</p> }))

const step: WorkStep = {
  key: 'abc',
  kind: 'save-settings',
  number: 7,
  phase: 'At the table',
  short: 'New address',
  title: 'Give Studio router a new address',
  laptop: 'cable in Studio router LAN 1 · automatic',
  open: 'http://192.168.1.1',
  find: 'Network, LAN, or Local network',
  changes: [
    { setting: 'IP address', from: '192.168.1.1', to: '192.168.31.2', isSecret: false },
    { setting: 'Password', from: null, to: 'studio', isSecret: true },
  ],
  waitSeconds: 90,
  expect: [{ reading: 'page', value: 'opens at http://192.168.31.2' }],
  cutOff: ['Work laptop'],
  meanwhile: ['Study printer'],
  cautions: ['Save. The page will hang.'],
  actions: [],
}
const open: TickView = {
  stepKey: 'abc',
  revision: 0,
  outcome: 'open',
  note: '',
  startedAt: null,
  doneAt: null,
  seen: '',
}

const heard = {
  onStart: vi.fn(),
  onFinish: vi.fn(),
  onElse: vi.fn(),
  onReopen: vi.fn(),
  inHand: 'laptop',
  onNote: vi.fn(async () => undefined),
  onBack: vi.fn(),
  onNext: vi.fn(),
}
const draw = (tick: TickView = open) =>
  render(
    <ChakraProvider value={system}>
      <StepView step={step} tick={tick} {...heard} />
    </ChakraProvider>,
  )

beforeEach(() => vi.useFakeTimers({ now: Date.parse('2026-11-23T10:00:00Z') }))
afterEach(() => {
  cleanup()
  vi.useRealTimers()
  vi.clearAllMocks()
})

describe('a step of the work order', () => {
  it('says where to be, what to open, what to type, what must be seen and who is cut off', () => {
    draw()
    for (const words of [
      'Give Studio router a new address',
      'cable in Studio router LAN 1 · automatic',
      'http://192.168.1.1',
      '192.168.31.2',
      'opens at http://192.168.31.2',
      'Save. The page will hang.',
    ])
      expect(screen.getByText(words), words).toBeTruthy()
    expect(screen.getByText(/Cut off by this step: Work laptop/)).toBeTruthy()
    expect(screen.getByText(/Without internet until it is back: Study printer/)).toBeTruthy()
  })

  it('names a secret and offers no copy of it', () => {
    draw()
    expect(screen.getByText(/the password kept as/)).toBeTruthy()
    expect(
      screen.getAllByRole('button', { name: /^Copy/ }).map((button) => button.getAttribute('aria-label')),
    ).toEqual(['Copy the page http://192.168.1.1', 'Copy IP address 192.168.31.2'])
  })

  it('tells what was seen', () => {
    draw()
    fireEvent.click(screen.getByText('Seen as said'))
    fireEvent.click(screen.getByText('Something else'))
    expect(heard.onFinish.mock.calls).toEqual([['as-said']])
    expect(heard.onElse).toHaveBeenCalledOnce()
  })

  it('keeps a note when the field is left, once', () => {
    draw()
    const note = screen.getByLabelText('Note')
    fireEvent.change(note, { target: { value: 'green lamp' } })
    fireEvent.blur(note)
    expect(heard.onNote).toHaveBeenCalledExactlyOnceWith('green lamp')
  })

  it('counts from the kept start, so that a closed lid loses nothing, and says when it should be back', () => {
    draw({ ...open, startedAt: '2026-11-23T09:58:48Z' })
    expect(screen.getByRole('timer').textContent).toBe('1:12')
    expect(screen.getByText('Wait until it is back.')).toBeTruthy()
    act(() => void vi.advanceTimersByTime(19_000))
    expect(screen.getByRole('timer').textContent).toBe('1:31')
    expect(screen.getByText('It should be back by now.')).toBeTruthy()
  })

  it('can be taken back when it is done', () => {
    draw({ ...open, outcome: 'as-said', doneAt: '2026-11-23T09:59:00Z' })
    expect(screen.queryByText('Something else')).toBeNull()
    fireEvent.click(screen.getByText('take it back'))
    expect(heard.onReopen).toHaveBeenCalledOnce()
  })
})
