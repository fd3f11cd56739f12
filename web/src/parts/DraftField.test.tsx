import { ChakraProvider } from '@chakra-ui/react'
import { act, cleanup, fireEvent, render, screen } from '@testing-library/react'
import type { ReactNode } from 'react'
import { afterEach, describe, expect, it, vi } from 'vitest'
import { useDrafts } from '../state/drafts'
import { system } from '../theme'
import { DraftField } from './DraftField'
import { Segmented } from './Segmented'

const draw = (what: ReactNode) => render(<ChakraProvider value={system}>{what}</ChakraProvider>)
const type = (text: string) => fireEvent.change(screen.getByLabelText('Address'), { target: { value: text } })
const key = (name: string) => fireEvent.keyDown(screen.getByLabelText('Address'), { key: name })

afterEach(() => {
  cleanup()
  useDrafts.setState({ kept: {} })
})

describe('a field that is put in force', () => {
  it('sends what was typed on Enter, without the blanks around it', async () => {
    const commit = vi.fn().mockResolvedValue(undefined)
    draw(<DraftField label="Address" value="192.168.1.1/24" commit={commit} />)
    type('  192.168.1.2/24 ')
    await act(async () => key('Enter'))
    expect(commit).toHaveBeenCalledWith('192.168.1.2/24')
  })

  it('sends nothing when nothing was changed', async () => {
    const commit = vi.fn()
    draw(<DraftField label="Address" value="192.168.1.1/24" commit={commit} />)
    await act(async () => key('Enter'))
    expect(commit).not.toHaveBeenCalled()
  })

  it('keeps what was refused, with the reason, until Escape brings back what holds', async () => {
    draw(<DraftField label="Address" value="192.168.1.1/24" commit={async () => 'No box may hold that.'} />)
    type('192.168.1.255/24')
    await act(async () => key('Enter'))
    const field = screen.getByLabelText('Address') as HTMLInputElement
    expect(field.value).toBe('192.168.1.255/24')
    expect(field.getAttribute('aria-invalid')).toBe('true')
    expect(screen.getByRole('alert').textContent).toBe('No box may hold that.')
    key('Escape')
    expect(field.value).toBe('192.168.1.1/24')
    expect(screen.queryByRole('alert')).toBeNull()
  })

  it('follows a value that changes under it', () => {
    const drawn = draw(<DraftField label="Address" value="192.168.1.1/24" commit={async () => undefined} />)
    drawn.rerender(
      <ChakraProvider value={system}>
        <DraftField label="Address" value="192.168.7.1/24" commit={async () => undefined} />
      </ChakraProvider>,
    )
    expect((screen.getByLabelText('Address') as HTMLInputElement).value).toBe('192.168.7.1/24')
  })
})

describe('a field that was gone to by key', () => {
  const inHouse = (value: string) => (
    <ChakraProvider value={system}>
      <DraftField label="Address" value={value} commit={async () => undefined} />
    </ChakraProvider>
  )
  const goTo = (from: number, to: number) => {
    const field = screen.getByLabelText('Address') as HTMLInputElement
    act(() => field.focus())
    field.setSelectionRange(from, to)
    fireEvent.select(field)
    return field
  }

  it('is typed over as a whole, though an answer has come in between', () => {
    const drawn = render(inHouse('192.168.1.199'))
    const field = goTo(0, '192.168.1.199'.length)
    drawn.rerender(inHouse('192.168.1.54'))
    expect([field.value, field.selectionStart, field.selectionEnd]).toEqual(['192.168.1.54', 0, 12])
  })

  it('is left as it is where somebody has gone into the text, or types', () => {
    const drawn = render(inHouse('192.168.1.199'))
    const field = goTo(3, 3)
    drawn.rerender(inHouse('192.168.1.54'))
    expect(field.selectionEnd === 12 && field.selectionStart === 0).toBe(false)
    goTo(0, 12)
    type('1')
    drawn.rerender(inHouse('192.168.1.77'))
    expect(field.value).toBe('1')
    expect(field.selectionStart).toBe(1)
  })
})

describe('a draft', () => {
  it('that is on its way leaves Escape to the panel', () => {
    const closed = vi.fn()
    const drawn = draw(
      // biome-ignore lint/a11y/noStaticElementInteractions: stands for the page, which hears Escape too
      <div onKeyDown={(event) => event.key === 'Escape' && closed()}>
        <DraftField label="Address" value="old" commit={() => new Promise(() => {})} />
      </div>,
    )
    type('new')
    key('Escape')
    expect(closed).not.toHaveBeenCalled()
    type('new')
    key('Enter')
    key('Escape')
    expect(closed).toHaveBeenCalledOnce()
    expect((drawn.getByLabelText('Address') as HTMLInputElement).value).toBe('new')
  })

  const field = (value: string, commit = vi.fn(async () => undefined as string | undefined)) => (
    <ChakraProvider value={system}>
      <DraftField label="Address" value={value} commit={commit} />
    </ChakraProvider>
  )

  it('is not overwritten by an answer that comes while one types again', async () => {
    let answer: (problem: string | undefined) => void = () => {}
    const commit = vi.fn(() => new Promise<string | undefined>((settle) => (answer = settle)))
    const drawn = render(field('old', commit))
    type('new')
    key('Enter')
    type('newer')
    await act(async () => answer(undefined))
    drawn.rerender(field('new', commit))
    expect((screen.getByLabelText('Address') as HTMLInputElement).value).toBe('newer')
  })

  it('is sent once by Enter and leaving', async () => {
    const commit = vi.fn(async () => undefined as string | undefined)
    render(field('old', commit))
    type('new')
    await act(async () => {
      key('Enter')
      fireEvent.blur(screen.getByLabelText('Address'))
    })
    expect(commit).toHaveBeenCalledExactlyOnceWith('new')
  })

  it('lives on when its field is gone and there again', async () => {
    const drawn = render(
      field(
        'old',
        vi.fn(async () => 'No.'),
      ),
    )
    type('refused')
    await act(async () => key('Enter'))
    drawn.unmount()
    render(field('old'))
    expect((screen.getByLabelText('Address') as HTMLInputElement).value).toBe('refused')
    expect(screen.getByRole('alert').textContent).toBe('No.')
  })
})

describe('two ways, one chosen', () => {
  it('tells which is chosen and says what is chosen next', async () => {
    const onChange = vi.fn()
    const options = [
      { value: 'found', label: 'As found' },
      { value: 'planned', label: 'Planned' },
    ]
    draw(<Segmented label="Which house" value="found" options={options} onChange={onChange} />)
    expect((screen.getByRole('radio', { name: 'As found' }) as HTMLInputElement).checked).toBe(true)
    fireEvent.click(screen.getByRole('radio', { name: 'Planned' }))
    await vi.waitFor(() => expect(onChange).toHaveBeenCalledWith('planned'))
  })
})
