import { Box, Text } from '@chakra-ui/react'
import type { ReactNode } from 'react'
import type { OptionView } from '../../api/types'
import { isBest, lines } from './lines'
import { SmallStairs } from './SmallStairs'
import { WayBody } from './WayBody'

type Props = { plans: OptionView[]; take: (plan: OptionView, index: number) => ReactNode }

/** The ways side by side on the same lines: ink where one is best, quiet where it is not. */
export function WayTable({ plans, take }: Props) {
  const bar = (i: number) => (i === 0 ? '3px solid' : '1px solid')
  const cell = (i: number) => ({
    borderLeft: bar(i),
    borderLeftColor: i === 0 ? 'spruce' : 'hairline',
    px: '10px',
    py: '6px',
    verticalAlign: 'top',
    textAlign: 'left' as const,
  })
  return (
    <Box overflowX="auto" position="relative" tabIndex={0} aria-label="The ways side by side" role="region">
      <Box
        as="table"
        w="100%"
        css={{ borderCollapse: 'collapse', tableLayout: 'fixed' }}
        minW={`${104 + plans.length * 130}px`}
      >
        <colgroup>
          <col style={{ width: 104 }} />
        </colgroup>
        <thead>
          <tr>
            <td />
            {plans.map((plan, i) => (
              <Box as="th" key={plan.title} {...cell(i)} fontWeight="400" data-way={i}>
                <Box fontWeight="700" fontSize="text" lineHeight="1.3" dir="auto" overflowWrap="anywhere">
                  {plan.title}
                </Box>
                <Text textStyle="small" color="quiet" mt="4px" overflowWrap="anywhere">
                  {plan.why}
                </Text>
                <Box mt="6px">
                  <SmallStairs treads={plan.stairs} />
                </Box>
                <Box mb="8px">{take(plan, i)}</Box>
              </Box>
            ))}
          </tr>
        </thead>
        <tbody>
          {lines.map((line) => (
            <Box as="tr" key={line.name} borderTop="1px solid" borderColor="hairline">
              <Box
                as="th"
                textAlign="left"
                fontWeight="400"
                color="quiet"
                fontSize="small"
                py="6px"
                verticalAlign="top"
              >
                {line.name}
              </Box>
              {plans.map((plan, i) => {
                const best = isBest(line, plan, plans)
                return (
                  <Box
                    as="td"
                    key={plan.title}
                    {...cell(i)}
                    fontSize="small"
                    fontWeight={best ? '650' : '400'}
                    color={best ? 'ink' : 'quiet'}
                    overflowWrap="anywhere"
                  >
                    {line.say(plan)}
                    {best && plans.length > 1 && <span className="sr-only"> (the best of them)</span>}
                  </Box>
                )
              })}
            </Box>
          ))}
          <Box as="tr" borderTop="1px solid" borderColor="hairline">
            <td />
            {plans.map((plan, i) => (
              <Box as="td" key={plan.title} {...cell(i)}>
                <WayBody plan={plan} />
              </Box>
            ))}
          </Box>
        </tbody>
      </Box>
    </Box>
  )
}
