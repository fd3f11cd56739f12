import { useQueryClient } from '@tanstack/react-query'
import { useEffect } from 'react'
import { photos, workOrder } from '../api/queries'
import type { JobView } from '../api/types'
import { isGuest } from '../state/thisPage'
import { useAsked } from '../state/way'
import { fetchSheets } from './sheets'
import { inQuiet } from './stages'

/** What a phone takes along, for when the laptop is away: the whole order, and every sheet of the page. */
export function useProvisions(job: JobView | undefined) {
  const queries = useQueryClient()
  const [id, version, deeds] = [job?.id ?? '', job?.version ?? 0, job?.plan.deeds ?? 0]
  const asked = useAsked(id)
  useEffect(() => {
    if (!isGuest || !id) return
    void queries.prefetchQuery(photos(id))
    if (deeds > 0) void queries.prefetchQuery(workOrder(id, version, asked))
  }, [queries, id, version, deeds, asked])
  useEffect(() => {
    if (isGuest) inQuiet(() => void fetchSheets())
  }, [])
}
