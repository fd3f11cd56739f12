import { Flex, Text } from '@chakra-ui/react'
import { useEffect, useState } from 'react'
import { AddressText } from '../../parts/AddressText'
import { clock } from '../../parts/clock'
import { Press } from '../../parts/Press'

/** Counts while the box restarts. The start is kept with the step, so a closed lid or a restart loses nothing. */
export function StepTimer(props: { seconds: number; startedAt: string | null; onStart: () => unknown }) {
  const { seconds, startedAt, onStart } = props
  const [now, setNow] = useState(Date.now())
  const passed = startedAt ? Math.max(0, Math.floor((now - Date.parse(startedAt)) / 1000)) : 0
  const running = startedAt !== null && passed < seconds
  useEffect(() => {
    if (!startedAt) return
    const beat = setInterval(() => setNow(Date.now()), 500)
    return () => clearInterval(beat)
  }, [startedAt])
  return (
    <Flex mt="14px" align="center" gap="12px" wrap="wrap">
      {startedAt ? (
        <Flex
          border="1.5px solid"
          borderColor={running ? 'spruce' : 'moss'}
          borderRadius="4px"
          px="14px"
          py="6px"
          align="baseline"
          gap="10px"
        >
          <AddressText fontSize="22px" fontWeight="700" color={running ? 'spruce' : 'moss'} role="timer">
            {clock(passed)}
          </AddressText>
          <Text fontSize="small" color="quiet">
            of about {clock(seconds)}
          </Text>
        </Flex>
      ) : (
        <Press onClick={onStart}>Start the clock: about {clock(seconds)}</Press>
      )}
      <Text fontSize="small" color="quiet" aria-live="polite">
        {startedAt && !running ? 'It should be back by now.' : startedAt ? 'Wait until it is back.' : ''}
      </Text>
      {startedAt && (
        <Press kind="plain" onClick={onStart}>
          start again
        </Press>
      )}
    </Flex>
  )
}
