import { Box, Flex, Text } from '@chakra-ui/react'
import type { TickView, WorkStep } from '../../api/types'
import { Tick } from '../../parts/Tick'

export function StepList(props: {
  steps: WorkStep[]
  current: WorkStep
  tickOf: (step: WorkStep) => TickView
  onGo: (step: WorkStep) => void
}) {
  const { steps, current, tickOf, onGo } = props
  return (
    <Box as="ol" listStyleType="none" aria-label="Steps">
      {steps.map((step, index) => {
        const outcome = tickOf(step).outcome
        const on = step.key === current.key
        return (
          <Box as="li" key={step.key}>
            {steps[index - 1]?.phase !== step.phase && (
              <Text fontSize="note" fontWeight="650" color="quiet" mt={index ? '10px' : '0'} mb="2px">
                {step.phase}
              </Text>
            )}
            <Flex
              as="button"
              onClick={() => onGo(step)}
              data-step={step.number}
              aria-current={on ? 'step' : undefined}
              w="100%"
              textAlign="left"
              align="center"
              gap="8px"
              py="4px"
              px="8px"
              borderLeft="4px solid"
              borderColor={on ? 'spruce' : 'transparent'}
              bg={on ? 'spruceWash' : 'transparent'}
              cursor="pointer"
            >
              <Text w="20px" fontSize="note" color="quiet" fontFamily="mono">
                {step.number}
              </Text>
              <Text
                flex="1"
                fontSize="small"
                fontWeight={on ? 700 : 400}
                color={outcome === 'as-said' ? 'quiet' : 'ink'}
              >
                {step.short}
              </Text>
              {outcome === 'as-said' && (
                <Box color="moss">
                  <Tick />
                  <span className="sr-only">done</span>
                </Box>
              )}
              {outcome === 'something-else' && (
                <Text fontSize="note" color="brick" fontWeight="650">
                  not so
                </Text>
              )}
              {outcome === 'open' && step.cutOff.length + step.meanwhile.length > 0 && (
                <Text fontSize="note" color="ochre" fontWeight="650">
                  cut
                </Text>
              )}
            </Flex>
          </Box>
        )
      })}
    </Box>
  )
}
