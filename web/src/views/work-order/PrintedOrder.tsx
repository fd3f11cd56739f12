import { Box, Text } from '@chakra-ui/react'
import type { WorkStep } from '../../api/types'

/** The whole order on paper, with room for a tick; on screen it is not there. */
export function PrintedOrder({ title, steps }: { title: string; steps: WorkStep[] }) {
  return (
    <Box display="none" className="print-only">
      <Text as="h1" fontSize="20px" fontWeight="700">
        {title}
      </Text>
      {steps.map((step, index) => (
        <Box key={step.key} mt="8px" style={{ breakInside: 'avoid' }}>
          {steps[index - 1]?.phase !== step.phase && <Text fontWeight="700">{step.phase}</Text>}
          <Text>
            ☐ {step.number}. {step.title}
            {step.open && ` (${step.open})`}
            {step.laptop && ` — laptop: ${step.laptop}`}
          </Text>
          {step.changes.map((change) => (
            <Text key={change.setting} pl="24px">
              {change.setting}: {change.from ? `${change.from} → ` : ''}
              {change.to}
            </Text>
          ))}
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
        </Box>
      ))}
    </Box>
  )
}
