import { Box, Flex, Heading, Text } from '@chakra-ui/react'
import { useQuery } from '@tanstack/react-query'
import { useEffect } from 'react'
import { type Asked, rehearsal } from '../../api/queries'
import type { WorkStep } from '../../api/types'
import { LookAt, useJob } from '../../layout/JobContext'
import { Press } from '../../parts/Press'
import { useNarrow } from '../../parts/useNarrow'
import { inHand } from '../../state/way'
import { Stairs } from '../stairs/Stairs'

const laptop = 'installer-laptop'

/** The order played on the Stairs: at each step the house as it then is, the laptop in it. Nothing is changed by it. */
export function Rehearsal(props: {
  title: string
  steps: WorkStep[]
  current: WorkStep
  asked: Asked
  turns: number
  onGo: (step: WorkStep) => void
  onClose: () => void
}) {
  const { title, steps, current, asked, turns, onGo, onClose } = props
  const { job, selected } = useJob()
  const at = steps.indexOf(current)
  const { data, error } = useQuery({
    ...rehearsal(job.id, job.version, asked, turns, current.key),
    placeholderData: (old) => old,
  })
  useEffect(() => {
    const press = (event: KeyboardEvent) => {
      const isTyping = event.target instanceof HTMLElement && event.target.matches('input, textarea, select')
      if (isTyping || event.altKey || event.ctrlKey || event.metaKey) return
      // On the picture the arrows go from card to card.
      if (event.target instanceof HTMLElement && event.target.closest('.picture')) return
      const to = event.key === 'ArrowRight' ? steps[at + 1] : event.key === 'ArrowLeft' ? steps[at - 1] : null
      if (!to) return
      event.preventDefault()
      onGo(to)
    }
    window.addEventListener('keydown', press)
    return () => window.removeEventListener('keydown', press)
  }, [at, steps, onGo])
  // On a phone the words stay in sight; the picture is scrolled by hand.
  const isNarrow = useNarrow()
  const hasLaptop = data?.house.document.endpoints?.some((one) => one.id === laptop)
  const chosen = selected ?? (hasLaptop && !isNarrow ? laptop : null)
  return (
    <Box>
      <Box
        position={{ md: 'sticky' }}
        top="0"
        zIndex="2"
        bg="paper"
        px={{ base: '16px', md: '24px' }}
        pt="14px"
        pb="10px"
        borderBottom="1px solid"
        borderColor="hairline"
      >
        <Flex justify="space-between" align="baseline" gap="12px" wrap="wrap">
          <Text fontSize="small" color="quiet">
            Rehearsal: {title}. Nothing is changed by it.
          </Text>
          <Press kind="plain" onClick={onClose}>
            back to the order
          </Press>
        </Flex>
        <Box hideBelow="md">
          <Arrows {...props} />
        </Box>
        <Heading as="h2" fontSize="20px" lineHeight="1.25" mt="2px" aria-live="polite">
          {current.title}
        </Heading>
        {error && (
          <Text color="brick" role="alert">
            {error.message}
          </Text>
        )}
        {/* What is said of a step is of that step: until it is computed nothing is. */}
        {data?.step === current.key ? (
          <Box mt="8px" fontSize="text" maxW="880px">
            {current.laptop && (
              <Text>
                Your {inHand(asked)}: {current.laptop}
              </Text>
            )}
            {current.meanwhile.length > 0 && (
              <Text color="ochre" fontWeight={650}>
                Without internet until it is back: {current.meanwhile.join(', ')}.
              </Text>
            )}
            <Text
              color={data.offline.length ? 'ochre' : 'quiet'}
              fontWeight={data.offline.length ? 650 : 400}
            >
              {data.offline.length
                ? `Without internet when it is done: ${data.offline.join(', ')}.`
                : 'Whoever had internet has it.'}
            </Text>
            {data.whyNotSooner && (
              <Text>
                <b>Why not sooner?</b> {data.whyNotSooner}
              </Text>
            )}
          </Box>
        ) : (
          !error && (
            <Text mt="8px" fontSize="text" color="quiet" role="status">
              Playing the step …
            </Text>
          )
        )}
      </Box>
      {data ? (
        <LookAt house={data.house} selected={chosen}>
          {/* Anew for each step: then the laptop comes into view. */}
          <Stairs key={data.step} isLook />
        </LookAt>
      ) : (
        <Text p="24px" role="status" color="quiet">
          Building the house …
        </Text>
      )}
      {/* Under the thumb, and in one place whatever the step is called. */}
      <Box
        hideFrom="md"
        position="sticky"
        bottom="0"
        zIndex="2"
        bg="paper"
        px="16px"
        py="6px"
        borderTop="1px solid"
        borderColor="hairline"
      >
        <Arrows {...props} />
      </Box>
    </Box>
  )
}

function Arrows(props: { steps: WorkStep[]; current: WorkStep; onGo: (step: WorkStep) => void }) {
  const { steps, current, onGo } = props
  const at = steps.indexOf(current)
  return (
    <Flex gap="12px" align="center" py="4px">
      <Press
        onClick={() => onGo(steps[at - 1] as WorkStep)}
        disabled={at === 0}
        aria-label="Step before"
        minW="44px"
        minH="44px"
      >
        ←
      </Press>
      <Text flex="1" minW="0" fontSize="small" color="quiet" truncate>
        Step {current.number} of {steps.length} · {current.phase}
      </Text>
      <Press
        kind="main"
        onClick={() => onGo(steps[at + 1] as WorkStep)}
        disabled={at === steps.length - 1}
        aria-label="Next step"
        minW="44px"
        minH="44px"
      >
        →
      </Press>
    </Flex>
  )
}
