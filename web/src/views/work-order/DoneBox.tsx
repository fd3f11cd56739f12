import { Box, Heading, Text } from '@chakra-ui/react'
import type { TickView, WorkStep } from '../../api/types'
import { useJob } from '../../layout/JobContext'
import { when } from '../../parts/when'
import { count, verdictWords } from '../../parts/words'
import { useEyes } from '../../state/eyes'

/** Every step is ticked: the job says so, and what was then seen. */
export function DoneBox({ steps, tickOf }: { steps: WorkStep[]; tickOf: (step: WorkStep) => TickView }) {
  const { job } = useJob()
  const fixed = useEyes((eyes) => eyes.fixed[job.id])
  const ticks = steps.map(tickOf)
  const odd = steps.filter((step) => tickOf(step).outcome === 'something-else')
  const last = ticks
    .flatMap((tick) => (tick.doneAt ? [tick.doneAt] : []))
    .sort()
    .at(-1)
  const seen = steps.at(-1)?.expect ?? []
  return (
    <Box
      role="status"
      data-all-done
      tabIndex={-1}
      my="12px"
      p="14px"
      bg="sheet"
      border="1.5px solid"
      borderColor={odd.length ? 'ochre' : 'moss'}
      borderRadius="4px"
      maxW="880px"
    >
      <Heading as="h3" textStyle="section" color={odd.length ? 'ochre' : 'moss'}>
        {odd.length === 0
          ? `Done${last ? `, ${when(last)}` : ''}: every step was seen as said.`
          : `Every step is ticked, but at ${count(odd.length, 'step')} something else was seen: ${odd.map((step) => step.number).join(', ')}.`}
      </Heading>
      {odd.length === 0 && (
        <>
          <Text>The house is as planned: {verdictWords(job.planned.verdict)}.</Text>
          {seen.length > 0 && (
            <>
              <Text mt="6px">Seen at the last step:</Text>
              <Box as="ul" pl="18px" listStyleType="disc">
                {seen.map((reading) => (
                  <li key={reading.reading + reading.value}>
                    {reading.reading === 'holds' ? reading.value : `${reading.reading}: ${reading.value}`}
                  </li>
                ))}
              </Box>
            </>
          )}
        </>
      )}
      {fixed && (
        <Text color="ochre" mt="6px">
          {fixed}
        </Text>
      )}
      <Text color="quiet" mt="6px">
        “As found” stays as it was noted, so that before and after can be compared. Notes stand with their
        steps.
      </Text>
    </Box>
  )
}
