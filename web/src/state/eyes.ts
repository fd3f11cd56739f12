import { create } from 'zustand'
import { persist } from 'zustand/middleware'

type Eyes = {
  /** Jobs whose steps are watched; nothing is until somebody says so. */
  watched: Record<string, boolean>
  /** Jobs whose steps are ticked without a press once all of it was seen. */
  ticks: Record<string, boolean>
  /** The adapter on the house's network, where the laptop is on two. */
  adapter: Record<string, string>
  /** The address that is pinged once to see whether the internet answers; empty: nobody is. */
  outside: Record<string, string>
  /** That the laptop's own address is fixed, as it was seen last; empty: it is not. */
  fixed: Record<string, string>
  set: <K extends 'watched' | 'ticks' | 'adapter' | 'outside' | 'fixed'>(
    what: K,
    job: string,
    value: Eyes[K][string],
  ) => void
}

/** How the laptop looks for itself in each job; kept on this device. */
export const useEyes = create<Eyes>()(
  persist(
    (set) => ({
      watched: {},
      ticks: {},
      adapter: {},
      outside: {},
      fixed: {},
      set: (what, job, value) => set((old) => ({ [what]: { ...old[what], [job]: value } }) as Partial<Eyes>),
    }),
    { name: 'altrin-eyes' },
  ),
)
