import { create } from 'zustand'
import { persist } from 'zustand/middleware'

/** What a single key does, and the key it has as shipped. */
export const shortcuts = {
  side: { key: 'p', say: 'As found or Planned' },
  fix: { key: 'f', say: 'the first fix, into the plan' },
  undo: { key: 'z', say: 'undo' },
  redo: { key: 'Z', say: 'redo' },
  find: { key: '/', say: 'find a box, a thing or an address' },
  paste: { key: 'v', say: 'paste what the laptop shows' },
  box: { key: 'n', say: 'a new box or thing; in the list of jobs a new job' },
  verdict: { key: 'g', say: 'go to the wants and findings' },
  trace: { key: 't', say: 'trace the way of the chosen thing to the street' },
  reach: { key: 'w', say: 'who reaches whom' },
  cable: { key: 'c', say: 'take the cable of the socket that has the focus; then press where it goes' },
  repeat: { key: '.', say: 'repeat the last address that was typed' },
  done: { key: 'd', say: 'on the work order: seen as said' },
  else: { key: 'x', say: 'on the work order: something else' },
  list: { key: '?', say: 'this list' },
} as const

export type Shortcut = keyof typeof shortcuts

/** Keys can be changed, and switched off altogether: somebody who speaks to the computer types words (WCAG 2.1.4). */
export const useShortcuts = create<{
  on: boolean
  own: Partial<Record<Shortcut, string>>
  turn: (on: boolean) => void
  change: (what: Shortcut, key: string) => void
  asShipped: () => void
}>()(
  persist(
    (set) => ({
      on: true,
      own: {},
      turn: (on) => set({ on }),
      change: (what, key) => set(({ own }) => ({ own: { ...own, [what]: key } })),
      asShipped: () => set({ own: {} }),
    }),
    { name: 'altrin.shortcuts' },
  ),
)

export const keyFor = (own: Partial<Record<Shortcut, string>>, what: Shortcut) =>
  own[what] ?? shortcuts[what].key
