import { create } from 'zustand'

/** Whether this page was let in to look alone: then what would change something is seen to be so before it is pressed. */
export const useLooking = create<{ looksOnly: boolean }>(() => ({ looksOnly: false }))

export const looksOnlyWords =
  'This phone may look and change nothing. Change it at the laptop, or join by a code made for working.'
