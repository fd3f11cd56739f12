import { useQuery, useQueryClient } from '@tanstack/react-query'
import { useMemo } from 'react'
import { ApiProblem } from '../api/client'
import { fixes as fixesQuery } from '../api/queries'
import type { ProvenFix } from '../api/types'
import { say } from '../state/notices'
import { useJob } from './JobContext'

/** What mends the findings of the house on screen; of the house before it until that is known. */
export function useFixes() {
  const { job, side, house } = useJob()
  return useQuery({ ...fixesQuery(job.id, side, house.revision), enabled: house.findings.length > 0 })
}

/** Asks for those of the house on screen and of no other, however soon after a change; says it where there is none to be had. */
export function useProven() {
  const { job, side, house } = useJob()
  const queries = useQueryClient()
  return useMemo(() => {
    const all = async () => {
      try {
        return (await queries.fetchQuery(fixesQuery(job.id, side, house.revision))).fixes
      } catch (error) {
        say(error instanceof ApiProblem ? error.message : 'That did not work.', 'problem')
        return undefined
      }
    }
    return {
      /** What the button said, as it is proved now. */
      same: async (finding: string, shown: ProvenFix) => {
        const known = await all()
        const fix = known?.[finding]?.find((one) => one.say === shown.say)
        if (known && !fix) say(`“${shown.say}” mends this no longer. Nothing was changed.`, 'problem')
        return fix
      },
      /** The best fix of the worst finding that has one. */
      first: async () => {
        const known = await all()
        return house.findings.flatMap((finding) => known?.[finding.key]?.slice(0, 1) ?? [])[0]
      },
    }
  }, [job.id, side, house, queries])
}
