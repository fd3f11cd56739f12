import { create } from 'zustand'

/** What is settled of a plan beforehand: a box in a mode, or never in it. */
export type Pin = { device: string; mode: string; forbidden: boolean }

type Pins = { of: Record<string, Pin[]>; set: (job: string, pins: Pin[]) => void }

/** By job; it is no part of the house, so it is not kept with it. */
export const usePins = create<Pins>((set) => ({
  of: {},
  set: (job, pins) => set(({ of }) => ({ of: { ...of, [job]: pins } })),
}))

const none: Pin[] = []
export const pinsOf = (job: string) => (pins: Pins) => pins.of[job] ?? none
