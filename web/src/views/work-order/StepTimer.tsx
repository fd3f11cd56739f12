import { Flex, Text } from '@chakra-ui/react'
import { useEffect, useRef, useState } from 'react'
import { AddressText } from '../../parts/AddressText'
import { Press } from '../../parts/Press'

export const clock = (seconds: number) =>
  `${Math.floor(seconds / 60)}:${String(seconds % 60).padStart(2, '0')}`

/** Two short tones; a browser that lets no page sound stays silent, and the words stand there all the same. */
function ring() {
  try {
    const audio = new AudioContext()
    for (const at of [0, 0.3]) {
      const tone = audio.createOscillator()
      tone.frequency.value = 880
      tone.connect(audio.destination)
      tone.start(audio.currentTime + at)
      tone.stop(audio.currentTime + at + 0.15)
    }
  } catch {
    // No sound here.
  }
}

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
  const wasRunning = useRef(false)
  useEffect(() => {
    if (wasRunning.current && !running && startedAt) ring()
    wasRunning.current = running
  }, [running, startedAt])
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
          <Text fontSize="14px" color="quiet">
            of about {clock(seconds)}
          </Text>
        </Flex>
      ) : (
        <Press onClick={onStart}>Start the clock: about {clock(seconds)}</Press>
      )}
      <Text fontSize="14px" color="quiet" aria-live="polite">
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
