import { create } from 'zustand'
import { persist } from 'zustand/middleware'

/** What was typed and is not in force yet: it belongs to the person until he puts it in force or drops it. */
export type Draft = { text: string; problem?: string; about?: string }

type Kept = Record<string, Draft>

/**
 * Every field's draft, by job, house, box and field. Kept through a change of section, card or stage and through a reload.
 * No secret is ever typed into such a field.
 */
export const useDrafts = create<{
  kept: Kept
  write: (key: string, text: string, about?: string) => void
  refuse: (key: string, text: string, problem: string) => void
  drop: (key: string) => void
  forget: (job: string) => void
}>()(
  persist(
    (set) => ({
      kept: {},
      write: (key, text, about) => set(({ kept }) => ({ kept: { ...kept, [key]: { text, about } } })),
      // Typed on since: the refusal is of what stands there no more.
      refuse: (key, text, problem) =>
        set(({ kept }) =>
          kept[key]?.text.trim() === text ? { kept: { ...kept, [key]: { ...kept[key], problem } } } : {},
        ),
      drop: (key) => set(({ kept }) => ({ kept: without(kept, (one) => one === key) })),
      forget: (job) => set(({ kept }) => ({ kept: without(kept, (one) => one.startsWith(`${job}/`)) })),
    }),
    { name: 'altrin.drafts', partialize: ({ kept }) => ({ kept }) },
  ),
)

const without = (kept: Kept, gone: (key: string) => boolean): Kept =>
  Object.fromEntries(Object.entries(kept).filter(([key]) => !gone(key)))

/** Drafts of a job, with the box or thing each is about. */
export const draftsOf = (kept: Kept, job: string) =>
  Object.entries(kept).filter(([key]) => key.startsWith(`${job}/`))
