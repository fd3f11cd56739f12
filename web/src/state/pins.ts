import { create } from 'zustand'
import type { Pin } from '../api/types'

type Pins = { of: Record<string, Pin[]>; set: (job: string, pins: Pin[]) => void }

/** By job; it is no part of the house, so it is not kept with it. */
export const usePins = create<Pins>((set) => ({
  of: {},
  set: (job, pins) => set(({ of }) => ({ of: { ...of, [job]: pins } })),
}))

const none: Pin[] = []
export const pinsOf = (job: string) => (pins: Pins) => pins.of[job] ?? none
