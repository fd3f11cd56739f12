import { Box, Flex } from '@chakra-ui/react'
import { Press } from '../parts/Press'
import { count } from '../parts/words'
import { useLeaving } from '../state/leaving'
import { useShutOut } from '../state/server'
import { isGuest } from '../state/thisPage'
import { usePlace } from './usePlace'

/** What is said while nobody answers: on the laptop, on a phone that goes on alone, on a phone that is not let in any more. */
export function NoAnswer({ waiting, photos }: { waiting: number; photos: number }) {
  const isShutOut = useShutOut((store) => store.isShutOut)
  return (
    <Box className="state-bar" bg="ochre" color="paper" px="16px" py="6px" fontWeight="650">
      {isShutOut ? (
        <ShutOut />
      ) : isGuest ? (
        <Away waiting={waiting} photos={photos} />
      ) : waiting > 0 ? (
        `Not saved yet: no answer from Altrin. ${waiting === 1 ? 'One change waits' : `${waiting} changes wait`}; they go by themselves as soon as it answers.`
      ) : (
        'No answer from Altrin. Nothing is lost: it is tried again by itself.'
      )}
    </Box>
  )
}

function ShutOut() {
  return (
    <>
      This phone is not let in any more. What you did is kept here:{' '}
      <a
        href="/join"
        className="textlink"
        style={{ color: 'inherit' }}
        onClick={() => useLeaving.setState({ isMeant: true })}
      >
        join again
      </a>{' '}
      with a new code from the laptop.
    </>
  )
}

/** Two short lines, always: nothing under them may move while a finger is on its way. */
function Away({ waiting, photos }: { waiting: number; photos: number }) {
  const { turn } = usePlace()
  const kinds = [
    ...(waiting ? [count(waiting, 'change')] : []),
    ...(photos ? [count(photos, 'picture')] : []),
  ]
  return (
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
  )
}
