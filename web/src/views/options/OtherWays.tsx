import { Box, Heading, Text } from '@chakra-ui/react'
import type { ReactNode } from 'react'
import type { OptionView } from '../../api/types'

/** Ways of the trade that come after those side by side: what is against each, and a press that takes it all the same. */
export function OtherWays({ plans, take }: { plans: OptionView[]; take: (plan: OptionView) => ReactNode }) {
  return (
    <Box as="section" aria-label="Other ways" mt="18px">
      <Heading as="h3" textStyle="section" mb="4px">
        Other ways
      </Heading>
      <Box as="ul" listStyleType="none">
        {plans.map((plan) => (
          <Box
            as="li"
            key={plan.title}
            py="8px"
            borderTop="1px solid"
            borderColor="hairline"
            overflowWrap="anywhere"
          >
            <Text fontWeight="650">{plan.title}</Text>
            <Text textStyle="small" color="quiet">
              {plan.why}
            </Text>
            {take(plan)}
          </Box>
        ))}
      </Box>
    </Box>
  )
}
