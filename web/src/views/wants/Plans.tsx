import { Box, Flex, Heading, Text } from '@chakra-ui/react'
import { useQuery } from '@tanstack/react-query'
import { plans } from '../../api/queries'
import { useJob, useTools } from '../../layout/JobContext'
import { Press } from '../../parts/Press'
import { Problem } from '../../parts/Problem'
import { count } from '../../parts/words'

/** The ways to use the second router, simulated side by side, with what each gives up. */
export function Plans() {
  const { job } = useJob()
  const { adopt, show } = useTools()
  const { data, error } = useQuery(plans(job.id, job.version))
  return (
    <Box as="section" mt="32px" aria-label="Ways to do it">
      <Heading as="h3" fontSize="16px" mb="4px">
        Ways to do it
      </Heading>
      <Text fontSize="14px" color="quiet" mb="12px">
        From the house as found. Both are honest; the wants decide.
      </Text>
      <Problem>{error?.message}</Problem>
      {!data && !error && (
        <Text role="status" fontSize="14px" color="quiet">
          Working the ways out …
        </Text>
      )}
      {data?.length === 0 && <Text fontSize="14px">There is no second router here to decide about.</Text>}
      <Flex gap="16px" wrap="wrap">
        {(data ?? []).map((plan, index) => (
          <Box
            key={plan.id}
            flex="1 1 300px"
            maxW="420px"
            borderTop="3px solid"
            borderColor={index === 0 ? 'spruce' : 'hairline'}
            pt="10px"
            data-plan={plan.id}
          >
            <Heading as="h4" fontSize="16px">
              {plan.title}
            </Heading>
            <Text fontSize="14px" mb="8px">
              {plan.summary}
            </Text>
            <Box as="dl" display="grid" gridTemplateColumns="auto 1fr" gap="2px 12px" fontSize="14px">
              <Fact name="wants held" value={`${plan.wantsHeld} of ${plan.wants}`} />
              <Fact
                name="left wrong"
                value={
                  plan.faults
                    ? count(plan.faults, 'fault')
                    : plan.cautions
                      ? count(plan.cautions, 'caution')
                      : 'nothing'
                }
              />
              <Fact name="steps down" value={`${plan.natLayers}`} />
              <Fact name="subnets" value={`${plan.subnets}`} />
              <Fact name="work" value={`about ${plan.minutes} min`} />
            </Box>
            {plan.givesUp.length > 0 && (
              <Box mt="8px" fontSize="14px">
                <Text fontWeight="650">It gives up</Text>
                <Box as="ul" pl="16px">
                  {plan.givesUp.map((loss) => (
                    <li key={loss}>{loss}</li>
                  ))}
                </Box>
              </Box>
            )}
            <Box as="details" mt="8px" fontSize="14px">
              <Box as="summary" color="spruce" cursor="pointer">
                {count(plan.deeds.length, 'change')}
              </Box>
              <Box as="ol" pl="18px">
                {plan.deeds.map((deed) => (
                  <li key={deed}>{deed}</li>
                ))}
              </Box>
            </Box>
            <Press
              mt="10px"
              kind={index === 0 ? 'main' : 'other'}
              onClick={async () => {
                if (await adopt(plan.actions, plan.title)) show('planned')
              }}
            >
              Plan this
            </Press>
          </Box>
        ))}
      </Flex>
    </Box>
  )
}

function Fact({ name, value }: { name: string; value: string }) {
  return (
    <>
      <Text as="dt" color="quiet">
        {name}
      </Text>
      <Text as="dd">{value}</Text>
    </>
  )
}
