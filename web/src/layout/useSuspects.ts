import { useQuery } from '@tanstack/react-query'
import { useMemo } from 'react'
import { diagnosis } from '../api/queries'
import { useAsked } from '../state/way'
import { useJob } from './JobContext'

/** Boxes that the causes left in a diagnosis at hand concern, with how sure the likeliest of them is. Empty while none is at hand. */
export function useSuspects(): ReadonlyMap<string, number> {
  const { job } = useJob()
  const { data } = useQuery({
    ...diagnosis(job.id, job.version, useAsked(job.id).with),
    placeholderData: (old) => old,
  })
  return useMemo(() => (data ? suspectsOf(data) : none), [data])
}

const none: ReadonlyMap<string, number> = new Map()

type Found = { found?: { causes: { sure: number; boxes: string[] }[] } | null }

export function suspectsOf({ found }: Found): ReadonlyMap<string, number> {
  const all = new Map<string, number>()
  for (const cause of found?.causes ?? [])
    for (const box of cause.boxes) all.set(box, Math.max(all.get(box) ?? 0, cause.sure))
  return all
}
