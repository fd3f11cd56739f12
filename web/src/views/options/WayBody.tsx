import { Box, Text } from '@chakra-ui/react'
import type { OptionView } from '../../api/types'
import { count } from '../../parts/words'

/** What a plan gives and costs in words, and what it changes in the house as found. */
export function WayBody({ plan }: { plan: OptionView }) {
  return (
    <Box textStyle="small">
      <Words title="It gives" lines={plan.gives} />
      <Words title="It gives up" lines={plan.losses} />
      {plan.gaps.length > 0 && <Words title="Not proved of its order" lines={plan.gaps} />}
      {plan.deeds.length > 0 && (
        <Box as="details" mt="6px">
          <Box as="summary" color="spruce" cursor="pointer">
            {count(plan.deeds.length, 'change')} against as found
          </Box>
          <Box as="ol" pl="18px" mt="4px">
            {plan.deeds.map((deed, i) => (
              <li key={`${i}${deed}`}>{deed}</li>
            ))}
          </Box>
        </Box>
      )}
    </Box>
  )
}

function Words({ title, lines }: { title: string; lines: string[] }) {
  if (lines.length === 0) return null
  return (
    <Box mt="6px">
      <Text fontWeight="650">{title}</Text>
      <Box as="ul" pl="16px">
        {lines.map((line) => (
          <Box as="li" key={line} overflowWrap="anywhere">
            {line}
          </Box>
        ))}
      </Box>
    </Box>
  )
}
