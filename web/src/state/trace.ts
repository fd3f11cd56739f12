import { create } from 'zustand'

/** The thing whose way to the street is shown on the picture; null when none is. */
export const useTraced = create<{ traced: string | null; trace: (id: string | null) => void }>((set) => ({
  traced: null,
  trace: (traced) => set({ traced }),
}))
