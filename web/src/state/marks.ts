import { create } from 'zustand'

/** Things that were marked, to do something with all of them at once. */
export const useMarks = create<{
  marked: string[]
  toggle: (id: string) => void
  clear: () => void
}>((set) => ({
  marked: [],
  toggle: (id) =>
    set(({ marked }) => ({
      marked: marked.includes(id) ? marked.filter((one) => one !== id) : [...marked, id],
    })),
  clear: () => set({ marked: [] }),
}))
