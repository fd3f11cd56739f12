import { create } from 'zustand'
import { persist } from 'zustand/middleware'

/** What is to be done, as it was said, and the questions that somebody has chosen to leave open. */
export type SaidJob = { words: string; aside: string[] }

type JobWords = { of: Record<string, SaidJob>; set: (job: string, said: Partial<SaidJob>) => void }

const nothing: SaidJob = { words: '', aside: [] }

/** By job; it is no part of the house, so it is not kept with it, but in this browser. */
export const useJobWords = create<JobWords>()(
  persist(
    (set) => ({
      of: {},
      set: (job, said) => set(({ of }) => ({ of: { ...of, [job]: { ...(of[job] ?? nothing), ...said } } })),
    }),
    { name: 'altrin.job-words', partialize: ({ of }) => ({ of }) },
  ),
)

export const saidOf = (job: string) => (all: JobWords) => all.of[job] ?? nothing
