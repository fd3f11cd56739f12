import { create } from 'zustand'

/** The page is left on purpose, with what waits: nobody is asked about it. */
export const useLeaving = create<{ isMeant: boolean }>(() => ({ isMeant: false }))
