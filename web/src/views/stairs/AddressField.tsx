import { useQuery } from '@tanstack/react-query'
import { type ComponentProps, useDeferredValue, useState } from 'react'
import { addressNote } from '../../api/queries'
import { useJob } from '../../layout/JobContext'
import { DraftField } from '../../parts/DraftField'

/** An address that says while it is typed what it would come to: taken, in a pool, outside the subnet, free. */
export function AddressField({ owner, ...props }: ComponentProps<typeof DraftField> & { owner: string }) {
  const { job, side } = useJob()
  const [typed, setTyped] = useState<string | null>(null)
  const asked = useDeferredValue(typed?.trim() ?? '')
  const { data } = useQuery({
    ...addressNote(job.id, side, job.version, owner, asked),
    enabled: typed !== null && asked.length > 6,
  })
  const hint = typed !== null && asked.length > 6 ? data?.says : undefined
  return <DraftField {...props} hint={hint} onType={setTyped} />
}
