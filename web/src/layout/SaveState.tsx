import { Box, Flex, Text } from '@chakra-ui/react'
import { onlineManager, useMutationState } from '@tanstack/react-query'
import { useEffect, useState, useSyncExternalStore } from 'react'
import { Press } from '../parts/Press'
import { count } from '../parts/words'
import { draftsOf, useDrafts } from '../state/drafts'
import { useLeaving } from '../state/leaving'
import { changeKey } from '../state/outbox'
import { useShutOut } from '../state/server'
import { isGuest } from '../state/thisPage'
import { useWaitingPhotos } from '../state/waitingPhotos'
import { useJob, useTools } from './JobContext'
import { usePlace } from './usePlace'

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
  const { turn } = usePlace()
  const waiting = useMutationState({
    filters: { mutationKey: changeKey, status: 'pending' },
    select: (one) => one.state.submittedAt,
  }).length
  const isThere = useSyncExternalStore(listen, () => onlineManager.isOnline())
  const kept = useDrafts((store) => store.kept)
  const drafts = draftsOf(kept, job.id)
  const slow = useLate(waiting > 0 && isThere)
  const photos = useWaitingPhotos((store) => store.list.length)
  const isShutOut = useShutOut((store) => store.isShutOut)
  const kinds = [count(waiting, 'change'), count(photos, 'picture')].filter(
    (_, i) => [waiting, photos][i] > 0,
  )
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
      {!isThere && (
        <Box className="state-bar" bg="ochre" color="paper" px="16px" py="6px" fontWeight="650">
          {isShutOut ? (
            <>
              This phone is not let in any more. What you did is kept here:{' '}
              <a href="/join" className="textlink" style={{ color: 'inherit' }}>
                join again
              </a>{' '}
              with a new code from the laptop.
            </>
          ) : isGuest ? (
            // Two short lines, always: nothing under them may move while a finger is on its way.
            <Flex justify="space-between" align="center" gap="12px">
              <Box>
                The laptop is away. Keep this page open.
                <br />
                {kinds.length === 0
                  ? 'Nothing waits for it yet.'
                  : `${kinds.join(' and ')} ${waiting + photos === 1 ? 'waits' : 'wait'} for it.`}
              </Box>
              <Press kind="inverse" onClick={() => turn({ open: 'moved' })}>
                Elsewhere?
              </Press>
            </Flex>
          ) : waiting > 0 ? (
            `Not saved yet: no answer from Altrin. ${waiting === 1 ? 'One change waits' : `${waiting} changes wait`}; they go by themselves as soon as it answers.`
          ) : (
            'No answer from Altrin. Nothing is lost: it is tried again by itself.'
          )}
        </Box>
      )}
      {slow && (
        <Text bg="spruceWash" px="16px" py="4px" fontSize="14px">
          Saving …
        </Text>
      )}
      {isElsewhere && (
        <Text bg="spruceWash" px="16px" py="4px" fontSize="14px">
          Something typed elsewhere is not in force yet.{' '}
          <Press kind="plain" onClick={() => select(where)}>
            Show it
          </Press>
        </Text>
      )}
    </Box>
  )
}
