import { Box, Heading, Text } from '@chakra-ui/react'
import type { ReactNode } from 'react'
import type { OptionView } from '../../api/types'
import { isBest, lines } from './lines'
import { SmallStairs } from './SmallStairs'
import { WayBody } from './WayBody'

/** One way on a phone: the same lines, one under the other. */
export function WayCard({
  plan,
  plans,
  index,
  take,
}: {
  plan: OptionView
  plans: OptionView[]
  index: number
  take: ReactNode
}) {
  return (
    <Box
      as="section"
      aria-label={plan.title}
      data-way={index}
      borderLeft={index === 0 ? '3px solid' : '1px solid'}
      borderColor={index === 0 ? 'spruce' : 'hairline'}
      pl="12px"
      mb="24px"
    >
      <Heading as="h3" textStyle="section" mb="6px" dir="auto" overflowWrap="anywhere">
        {plan.title}
      </Heading>
      <Text textStyle="small" color="quiet" mb="6px" overflowWrap="anywhere">
        {plan.why}
      </Text>
      <SmallStairs treads={plan.stairs} />
      <Box as="dl" display="grid" gridTemplateColumns="auto 1fr" gap="3px 12px" fontSize="text" my="8px">
        {lines.map((line) => {
          const best = isBest(line, plan, plans)
          return (
            <Box key={line.name} display="contents">
              <Box as="dt" color="quiet">
                {line.name}
              </Box>
              <Box
                as="dd"
                fontWeight={best ? '650' : '400'}
                color={best ? 'ink' : 'quiet'}
                overflowWrap="anywhere"
              >
                {line.say(plan)}
              </Box>
            </Box>
          )
        })}
      </Box>
      <WayBody plan={plan} />
      {take}
    </Box>
  )
}
