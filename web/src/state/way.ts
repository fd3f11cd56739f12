import { useMemo } from 'react'
import { create } from 'zustand'
import { persist } from 'zustand/middleware'
import type { Asked } from '../api/queries'

/** `back:` and the key of a step: from there back to how the house was found; without a key from where the work now begins. */
export type Way = 'keep' | 'reset' | `back:${string}`
export type Hands = 'laptop' | 'no-socket' | 'phone'

type Ways = {
  of: Record<string, Way>
  hands: Record<string, Hands>
  set: (job: string, way?: Way) => void
  take: (job: string, hands: Hands) => void
}

/** Which of the orders of a job is worked through, and with what; nothing: the one that is proposed, with a laptop that has a socket. Kept on this
 * device, for a reload in the middle of the work. */
export const useWay = create<Ways>()(
  persist(
    (set) => ({
      of: {},
      hands: {},
      set: (job, way) => set(({ of: { [job]: _, ...of } }) => ({ of: way ? { ...of, [job]: way } : of })),
      take: (job, taken) => set(({ hands }) => ({ hands: { ...hands, [job]: taken } })),
    }),
    {
      name: 'altrin-way',
    },
  ),
)

const askedOf = ({ of, hands }: Ways, job: string): Asked => {
  const has = hands[job]
  return { way: of[job], with: has && has !== 'laptop' ? has : undefined }
}

/** What a step calls the thing in hand. */
export const inHand = ({ with: hands }: Asked) => (hands === 'phone' ? 'phone' : 'laptop')

/** The order of a job as it is asked for on this device. */
export const askedNow = (job: string) => askedOf(useWay.getState(), job)

export function useAsked(job: string): Asked {
  const way = useWay((ways) => askedOf(ways, job).way)
  const has = useWay((ways) => askedOf(ways, job).with)
  return useMemo(() => ({ way, with: has }), [way, has])
}
