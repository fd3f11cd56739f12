import { create } from 'zustand'
import { persist } from 'zustand/middleware'

/** @param before Milliseconds at work, up to the last pause. @param since When it went on; null while it is paused. */
type Spell = { before: number; since: number | null }

type Watches = {
  of: Record<string, Spell>
  start: (job: string) => void
  pause: (job: string) => void
}

/** How long somebody has been at a job's order, by this device; pauses are left out. */
export const useWatch = create<Watches>()(
  persist(
    (set) => ({
      of: {},
      start: (job) =>
        set(({ of }) => ({ of: { ...of, [job]: { before: of[job]?.before ?? 0, since: Date.now() } } })),
      pause: (job) =>
        set(({ of }) => {
          const spell = of[job]
          return spell?.since
            ? { of: { ...of, [job]: { before: spell.before + Date.now() - spell.since, since: null } } }
            : { of }
        }),
    }),
    { name: 'altrin-watch' },
  ),
)

export const spentMs = (spell: Spell | undefined, now: number) =>
  spell ? spell.before + (spell.since ? now - spell.since : 0) : 0
