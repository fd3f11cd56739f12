import { keepPreviousData, useQuery, useQueryClient } from '@tanstack/react-query'
import { options as optionsQuery } from '../../api/queries'
import type { Pin } from '../../api/types'
import { useJob } from '../../layout/JobContext'

/**
 * The ways to set the house as found. The first look has the machine to itself, so that the best way stands there soon; the whole look
 * follows it.
 */
export function useOptions(pins: Pin[], keeps = false) {
  const { job } = useJob()
  const queries = useQueryClient()
  const wholeQuery = optionsQuery(job.id, job.version, pins)
  const firstQuery = optionsQuery(job.id, job.version, pins, true)
  const known = queries.getQueryData(wholeQuery.queryKey) !== undefined
  const first = useQuery({
    ...firstQuery,
    enabled: !known,
    placeholderData: keeps ? keepPreviousData : undefined,
  })
  const whole = useQuery({ ...wholeQuery, enabled: known || first.isFetched })
  const again = (queryKey: readonly unknown[]) => queries.refetchQueries({ queryKey, exact: true })
  return {
    first: first.data,
    whole: whole.data,
    error: whole.error,
    isFetching: first.isFetching || whole.isFetching,
    stop: () => {
      void queries.cancelQueries({ queryKey: firstQuery.queryKey, exact: true })
      void queries.cancelQueries({ queryKey: wholeQuery.queryKey, exact: true })
    },
    look: () => again(first.isFetched ? wholeQuery.queryKey : firstQuery.queryKey),
  }
}
