import { Box, Flex, Text } from '@chakra-ui/react'
import { useEffect, useState } from 'react'
import type { WorkStep } from '../../api/types'

/** Printing waits until the codes are drawn. */
export function usePrint() {
  const [isPrinting, setPrinting] = useState(false)
  useEffect(() => {
    const over = () => setPrinting(false)
    window.addEventListener('afterprint', over)
    return () => window.removeEventListener('afterprint', over)
  }, [])
  return { isPrinting, start: () => setPrinting(true), ready: () => window.print() }
}

/** The whole order on paper, with room for a tick and a note; on screen it is not there. */
export function PrintedOrder(props: {
  title: string
  steps: WorkStep[]
  notes: (step: WorkStep) => string
  /** A laptop, or a phone. */
  inHand: string
  /** The job, while it is being printed: then each step has a code that leads back to it. */
  codesOf?: string
  onReady: () => void
}) {
  const { title, steps, notes, inHand, codesOf, onReady } = props
  const [drawn, setDrawn] = useState(0)
  useEffect(() => {
    if (!codesOf) return setDrawn(0)
    if (drawn === steps.length) onReady()
  }, [codesOf, drawn, steps.length, onReady])
  return (
    <Box display="none" className="print-only">
      <Text as="h1" fontSize="20px" fontWeight="700">
        {title}
      </Text>
      {steps.map((step, index) => (
        <Box key={step.key} mt="8px" style={{ breakInside: 'avoid' }}>
          {steps[index - 1]?.phase !== step.phase && <Text fontWeight="700">{step.phase}</Text>}
          <Flex justify="space-between" gap="12px">
            <Box flex="1">
              <Text>
                ☐ {step.number}. {step.title}
                {step.open && ` (${step.open})`}
                {step.laptop && ` — ${inHand}: ${step.laptop}`}
              </Text>
              {step.cutOff.length > 0 && <Text pl="24px">Cut off by it: {step.cutOff.join(', ')}</Text>}
              {step.meanwhile.length > 0 && (
                <Text pl="24px">Without internet until it is back: {step.meanwhile.join(', ')}</Text>
              )}
              {step.changes.map((change) => (
                <Text key={change.setting} pl="24px">
                  {change.setting}: {change.from ? `${change.from} → ` : ''}
                  {change.to}
                </Text>
              ))}
              {step.waitSeconds != null && <Text pl="24px">wait {step.waitSeconds} s</Text>}
              {step.expect.map((reading) => (
                <Text key={reading.reading + reading.value} pl="24px">
                  then {reading.reading}: {reading.value}
                </Text>
              ))}
              {step.cautions.map((caution) => (
                <Text key={caution} pl="24px" fontStyle="italic">
                  {caution}
                </Text>
              ))}
              <Text pl="24px" mt="4px">
                Note: {notes(step) || '…………………………………………………………'}
              </Text>
            </Box>
            {codesOf && (
              <img
                width="88"
                height="88"
                alt={`Code of step ${step.number}`}
                src={`/api/jobs/${codesOf}/work-order/${step.key}/code`}
                onLoad={() => setDrawn((count) => count + 1)}
                onError={() => setDrawn((count) => count + 1)}
              />
            )}
          </Flex>
        </Box>
      ))}
    </Box>
  )
}
