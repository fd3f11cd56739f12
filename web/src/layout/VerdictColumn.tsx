import { Box, Flex, Heading, Text } from '@chakra-ui/react'
import { FindingCard } from './FindingCard'
import { HeldDeeds } from './HeldDeeds'
import { useJob } from './JobContext'
import { WantLine } from './WantLine'

/** Every want with its verdict, then the findings: there in every stage. */
export function VerdictColumn() {
  const { house, side, job } = useJob()
  const isEmpty = (house.document.devices ?? []).length === 0
  const isPlanning = side === 'found' && job.plan.deeds > 0
  const left = new Set(job.planned.findings.map((finding) => finding.key))
  return (
    <Box>
      <HeldDeeds held={job.plan.held} />
      <Box px="16px" pt="14px" pb="14px" borderBottom="1px solid" borderColor="hairline">
        <Heading as="h2" fontSize="16px" mb="8px">
          What the household wants
        </Heading>
        {house.wants.length === 0 ? (
          <Text fontSize="14px" color="quiet">
            Nothing is written down yet. Start at Wants: each one becomes a verdict here.
          </Text>
        ) : (
          <Flex as="ul" direction="column" gap="6px" listStyleType="none">
            {house.wants.map((want) => (
              <WantLine key={want.need} want={want} />
            ))}
          </Flex>
        )}
      </Box>
      <Box px="16px" py="14px">
        <Heading as="h2" fontSize="16px" mb="10px" tabIndex={-1} data-next>
          Findings
        </Heading>
        {house.findings.length === 0 ? (
          <Text fontSize="14px" color={isEmpty ? 'quiet' : 'moss'} fontWeight={isEmpty ? undefined : 650}>
            {isEmpty
              ? 'There is no box in this house yet, so there is nothing to judge.'
              : 'Nothing is wrong here.'}
          </Text>
        ) : (
          <Flex as="ul" direction="column" gap="12px" listStyleType="none">
            {house.findings.map((finding) => (
              <FindingCard
                key={finding.key}
                finding={finding}
                isCured={isPlanning && !left.has(finding.key)}
                isUntried={house.leftFixesOut}
              />
            ))}
          </Flex>
        )}
      </Box>
    </Box>
  )
}
