import { Box, Text } from '@chakra-ui/react'
import { onlineManager } from '@tanstack/react-query'
import { useEffect, useState, useSyncExternalStore } from 'react'
import { Press } from '../parts/Press'
import { draftsOf, useDrafts } from '../state/drafts'
import { useLeaving } from '../state/leaving'
import { useWaitingPhotos } from '../state/waitingPhotos'
import { useWaitingChanges } from '../state/waitingTicks'
import { useJob, useTools } from './JobContext'
import { NoAnswer } from './NoAnswer'

const listen = (changed: () => void) => onlineManager.subscribe(changed)

/** A save that is quick is not worth a word. */
const slowMs = 400

function useLate(on: boolean) {
  const [late, setLate] = useState(false)
  useEffect(() => {
    if (!on) return setLate(false)
    const timer = setTimeout(() => setLate(true), slowMs)
    return () => clearTimeout(timer)
  }, [on])
  return on && late
}

/** What is not saved yet, and why; there in every stage, and asked about before the page is left. */
export function SaveState() {
  const { job, selected } = useJob()
  const { select } = useTools()
  const waiting = useWaitingChanges().length
  const isThere = useSyncExternalStore(listen, () => onlineManager.isOnline())
  const kept = useDrafts((store) => store.kept)
  const drafts = draftsOf(kept, job.id)
  const slow = useLate(waiting > 0 && isThere)
  const photos = useWaitingPhotos((store) => store.list.length)
  const open = waiting > 0 || drafts.length > 0

  useEffect(() => {
    if (!open) return
    const ask = (event: BeforeUnloadEvent) => {
      if (!useLeaving.getState().isMeant) event.preventDefault()
    }
    window.addEventListener('beforeunload', ask)
    return () => window.removeEventListener('beforeunload', ask)
  }, [open])

  const where = drafts.map(([, draft]) => draft.about).find((about) => about && about !== selected)
  const isElsewhere = where !== undefined
  return (
    <Box role="status" aria-live="polite" className="no-print">
      {!isThere && <NoAnswer waiting={waiting} photos={photos} />}
      {slow && (
        <Text bg="spruceWash" px="16px" py="4px" fontSize="small">
          Saving …
        </Text>
      )}
      {isElsewhere && (
        <Text bg="spruceWash" px="16px" py="4px" fontSize="small">
          Something typed elsewhere is not in force yet.{' '}
          <Press kind="plain" onClick={() => select(where)}>
            Show it
          </Press>
        </Text>
      )}
    </Box>
  )
}
