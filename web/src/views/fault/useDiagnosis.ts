import { useQuery, useQueryClient } from '@tanstack/react-query'
import { diagnosis, endDiagnosis, setDiagnosis } from '../../api/queries'
import type { DiagnosisView, SeenEntry, Side } from '../../api/types'
import { useJob } from '../../layout/JobContext'
import { focusOn } from '../../parts/focusOn'
import { say } from '../../state/notices'
import { useAsked } from '../../state/way'

/** Entries that one look gave: a laptop shows several readings at once. */
export type SeenGroup = { entries: SeenEntry[]; says: string[]; isOdd: boolean; first: number }

export function groupsOf(view: DiagnosisView): SeenGroup[] {
  const groups: SeenGroup[] = []
  let before = ''
  for (const [i, { seen, says, isOdd }] of view.seen.entries()) {
    const entry = seen as SeenEntry
    const from = entry.from && !('address' in entry) ? JSON.stringify(entry.from) : ''
    const last = groups.at(-1)
    if (last && from && from === before) {
      last.entries.push(entry)
      last.says.push(says)
      last.isOdd ||= isOdd
    } else groups.push({ entries: [entry], says: [says], isOdd, first: i })
    before = from
  }
  return groups
}

/** The diagnosis at hand: every answer is kept at once, and what follows from it comes back. */
export function useDiagnosis() {
  const { job, side } = useJob()
  const hands = useAsked(job.id).with
  const queries = useQueryClient()
  const asked = diagnosis(job.id, job.version, hands)
  const { data, error } = useQuery({ ...asked, placeholderData: (old) => old })

  const keep = async (next: Promise<DiagnosisView>, focus: string) => {
    try {
      queries.setQueryData(asked.queryKey, await next)
      focusOn(focus)
      return true
    } catch (refused) {
      say(refused instanceof Error ? refused.message : 'That did not work.', 'problem')
      await queries.invalidateQueries({ queryKey: asked.queryKey })
      return false
    }
  }
  const put = (
    seen: SeenEntry[],
    aside: string[],
    believed: Side = data?.revision ? (data.side as Side) : side,
  ) =>
    data
      ? keep(
          setDiagnosis(job.id, hands, {
            number: data.number,
            revision: data.revision,
            side: believed,
            seen,
            aside,
          }),
          '[data-look-head]',
        )
      : Promise.resolve(false)
  const seen = (data?.seen ?? []).map((one) => one.seen as SeenEntry)

  return {
    data,
    error,
    hands,
    put,
    /** One more look. What was seen of the same before counts no longer. */
    add: (more: SeenEntry[]) => {
      const of = ({ value: _, ...look }: SeenEntry) => JSON.stringify(look)
      const now = new Set(more.map(of))
      return put([...seen.filter((one) => !now.has(of(one))), ...more], data?.aside ?? [])
    },
    takeOut: (group: SeenGroup) =>
      put(
        seen.filter((_, i) => i < group.first || i >= group.first + group.entries.length),
        data?.aside ?? [],
      ),
    end: (cause: number | null) =>
      data
        ? keep(
            endDiagnosis(job.id, hands, { number: data.number, revision: data.revision, cause }),
            '[data-complaint-head]',
          )
        : Promise.resolve(false),
  }
}
