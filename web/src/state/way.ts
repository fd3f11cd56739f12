import { create } from 'zustand'
import { persist } from 'zustand/middleware'

export type Way = 'keep' | 'reset'

/** Which of the two orders of a job is worked through; nothing: the one that is proposed. Kept on this device, for a reload in the middle of the work. */
export const useWay = create<{ of: Record<string, Way>; set: (job: string, way: Way) => void }>()(
  persist((set) => ({ of: {}, set: (job, way) => set(({ of }) => ({ of: { ...of, [job]: way } })) }), {
    name: 'altrin-way',
  }),
)
