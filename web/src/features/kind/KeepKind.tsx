import { useQueryClient } from '@tanstack/react-query'
import { useState } from 'react'
import { keepKind, kitShelf } from '../../api/queries'
import type { Device } from '../../api/types'
import { useJob } from '../../layout/JobContext'
import { Form, Send } from '../../parts/Form'
import { PlainField } from '../../parts/PlainField'
import { Press } from '../../parts/Press'
import { Problem } from '../../parts/Problem'
import { say } from '../../state/notices'

/** A box that will be met again: put on the shelf as a kind of one's own, for all jobs. */
export function KeepKind({
  box,
  open,
  setOpen,
}: {
  box: Device
  open: boolean
  setOpen: (open: boolean) => void
}) {
  const { job } = useJob()
  const queries = useQueryClient()
  const [name, setName] = useState('')
  const [problem, setProblem] = useState<string>()
  if (!open)
    return (
      <Press kind="plain" onClick={() => setOpen(true)}>
        Keep it as a kind of your own
      </Press>
    )
  const keep = async () => {
    try {
      const kind = await keepKind(job.id, box.id, name.trim())
      await queries.invalidateQueries({ queryKey: kitShelf.queryKey })
      say(`On the shelf: ${kind.name}`)
      setOpen(false)
    } catch (failed) {
      setProblem((failed as Error).message)
    }
  }
  return (
    <Form gap="8px" align="end" onSend={keep}>
      <PlainField label="Call the kind" width="260px" value={name} onChange={setName} />
      <Send>Put it on the shelf</Send>
      <Press kind="plain" onClick={() => setOpen(false)}>
        leave it
      </Press>
      <Problem flexBasis="100%">{problem}</Problem>
    </Form>
  )
}
