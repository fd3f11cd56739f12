import { create } from 'zustand'
import { createJSONStorage, persist } from 'zustand/middleware'

/** What was pasted, by job, until it is taken or put away: it outlives a change of stage and a reload, and goes with the tab. */
type Pasted = { text: string; before: string }

const nothing: Pasted = { text: '', before: '' }

export const usePastes = create<{
  kept: Record<string, Pasted>
  set: (job: string, change: Partial<Pasted>) => void
}>()(
  persist(
    (set) => ({
      kept: {},
      set: (job, change) =>
        set(({ kept }) => ({ kept: { ...kept, [job]: { ...nothing, ...kept[job], ...change } } })),
    }),
    { name: 'altrin.pastes', storage: createJSONStorage(() => sessionStorage) },
  ),
)

export const usePasted = (job: string) => usePastes((store) => store.kept[job] ?? nothing)
