import { create } from 'zustand'
import { persist } from 'zustand/middleware'
import type { Pin } from '../api/types'

type Pins = { of: Record<string, Pin[]>; set: (job: string, pins: Pin[]) => void }

/** By job; it is no part of the house, so it is not kept with it, but in this browser. */
export const usePins = create<Pins>()(
  persist(
    (set) => ({
      of: {},
      set: (job, pins) => set(({ of }) => ({ of: { ...of, [job]: pins } })),
    }),
    { name: 'altrin.pins', partialize: ({ of }) => ({ of }) },
  ),
)

const none: Pin[] = []
export const pinsOf = (job: string) => (pins: Pins) => pins.of[job] ?? none

/** Pins one use of a box beside what is pinned already. */
export function addPin(job: string, pin: Pin) {
  const { of, set } = usePins.getState()
  set(job, [...(of[job] ?? []).filter((one) => one.device !== pin.device || one.use !== pin.use), pin])
}
