import { create } from 'zustand'
import { persist } from 'zustand/middleware'

/** `back:` and the key of a step: from there back to how the house was found. */
export type Way = 'keep' | 'reset' | `back:${string}`

/** Which of the two orders of a job is worked through; nothing: the one that is proposed. Kept on this device, for a reload in the middle of the work. */
export const useWay = create<{ of: Record<string, Way>; set: (job: string, way?: Way) => void }>()(
  persist(
    (set) => ({
      of: {},
      set: (job, way) => set(({ of: { [job]: _, ...of } }) => ({ of: way ? { ...of, [job]: way } : of })),
    }),
    {
      name: 'altrin-way',
    },
  ),
)
