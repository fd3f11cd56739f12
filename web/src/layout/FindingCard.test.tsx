import { ChakraProvider } from '@chakra-ui/react'
import { QueryClient, QueryClientProvider } from '@tanstack/react-query'
import { act, cleanup, fireEvent, render, screen } from '@testing-library/react'
import { MemoryRouter } from 'react-router'
import { afterEach, beforeEach, expect, it, vi } from 'vitest'
import { fixes as fixesQuery } from '../api/queries'
import type { FindingView, FixesView, ProvenFix } from '../api/types'
import { say } from '../state/notices'
import { system } from '../theme'
import { FindingCard } from './FindingCard'

const plan = vi.fn(async () => true)
vi.mock('../state/notices', () => ({ say: vi.fn() }))
vi.mock('./JobContext', () => ({
  useTools: () => ({ plan, act: vi.fn(), select: vi.fn() }),
  useJob: () => ({ job: { id: 'j' }, side: 'found', house: { revision: 7, findings: [finding] } }),
}))

const finding: FindingView = {
  key: 'address-held-twice:a+b',
  rule: 'address-held-twice',
  theme: 'addresses',
  severity: 'fault',
  title: 'One address held twice',
  message: 'Both answer.',
  subjects: ['a', 'b'],
}
const fix = (say: string, address: string): ProvenFix => ({
  say,
  actions: [{ do: 'set-lan-address', device: 'a', address }],
  deeds: [say],
})

let queries: QueryClient
beforeEach(() => {
  queries = new QueryClient()
})
afterEach(() => {
  cleanup()
  vi.clearAllMocks()
})

const draw = (fixes: ProvenFix[] | undefined, isUntried = false) =>
  render(
    <ChakraProvider value={system}>
      <QueryClientProvider client={queries}>
        <MemoryRouter>
          <FindingCard finding={finding} fixes={fixes} isCured={false} isUntried={isUntried} />
        </MemoryRouter>
      </QueryClientProvider>
    </ChakraProvider>,
  )
const proved = (fixes: ProvenFix[]) =>
  queries.setQueryData<FixesView>(fixesQuery('j', 'found', 7).queryKey, {
    revision: 7,
    fixes: { [finding.key]: fixes },
    leftOut: false,
  })
const press = (name: string) => act(async () => void fireEvent.click(screen.getByRole('button', { name })))

it('says nothing of fixes while they are not known', () => {
  draw(undefined)
  expect(screen.queryByText(/No fix is offered|too big/)).toBeNull()
  expect(document.querySelector('[data-pending]')).not.toBeNull()
})

it('says that none proved itself, and that not all were tried', () => {
  draw([])
  expect(screen.getByText(/No fix is offered/)).toBeTruthy()
  cleanup()
  draw([], true)
  expect(screen.getByText(/too big for every fix/)).toBeTruthy()
})

it('plans a fix as it is proved for the house on screen, not as the button had it', async () => {
  proved([fix('Move it', '192.168.1.3/24')])
  draw([fix('Move it', '192.168.1.2/24')])
  await press('Move it')
  expect(plan).toHaveBeenCalledExactlyOnceWith(fix('Move it', '192.168.1.3/24'))
})

it('does nothing where the fix mends it no longer, and says so', async () => {
  proved([])
  draw([fix('Move it', '192.168.1.2/24')])
  await press('Move it')
  expect(plan).not.toHaveBeenCalled()
  expect(say).toHaveBeenCalledExactlyOnceWith(
    '“Move it” mends this no longer. Nothing was changed.',
    'problem',
  )
})
