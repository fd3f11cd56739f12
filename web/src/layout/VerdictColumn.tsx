import { Box, Flex, Heading, Text } from '@chakra-ui/react'
import { useState } from 'react'
import { Press } from '../parts/Press'
import { useOnPaper } from '../parts/useOnPaper'
import { FindingCard } from './FindingCard'
import { HeldDeeds } from './HeldDeeds'
import { useJob } from './JobContext'
import { LastChange } from './LastChange'
import { useFixes } from './useFixes'
import { WantLine } from './WantLine'

/** As many as anybody reads in a row; the worst come first. */
const fewFindings = 40

/** Every want with its verdict, then the findings: there in every stage. What the stage itself is about may come before all. */
export function VerdictColumn(props: { first?: { theme: string; title: string }; withoutWants?: boolean }) {
  const { first, withoutWants } = props
  const { house, side, job } = useJob()
  const isEmpty = (house.document.devices ?? []).length === 0
  const isPlanning = side === 'found' && job.plan.deeds > 0
  const left = new Set(job.planned.findings.map((finding) => finding.key))
  const own = house.findings.filter((finding) => finding.theme === first?.theme)
  const others = house.findings.filter((finding) => finding.theme !== first?.theme)
  const hasOwn = first !== undefined && !isEmpty
  const fixes = useFixes()
  const [isAll, showAll] = useState(false)
  const onPaper = useOnPaper()
  const cards = (findings: typeof own) => {
    const shown = isAll || onPaper ? findings : findings.slice(0, fewFindings)
    return (
      <>
        <Flex as="ul" direction="column" gap="12px" listStyleType="none">
          {shown.map((finding) => (
            <FindingCard
              key={finding.key}
              finding={finding}
              isCured={isPlanning && !left.has(finding.key)}
              fixes={fixes.data?.fixes[finding.key]}
              isUntried={fixes.data?.leftOut === true}
            />
          ))}
        </Flex>
        {shown.length < findings.length && (
          <Press mt="12px" onClick={() => showAll(true)}>
            {`Show the other ${findings.length - shown.length}`}
          </Press>
        )}
      </>
    )
  }
  return (
    <Box>
      <HeldDeeds held={job.plan.held} />
      <LastChange />
      {hasOwn && (
        <Box px="16px" py="14px" borderBottom="1px solid" borderColor="hairline">
          <Heading as="h2" fontSize="section" mb="10px" tabIndex={-1} data-next>
            {first?.title}
          </Heading>
          {own.length > 0 ? (
            cards(own)
          ) : (
            <Text fontSize="small" color="moss" fontWeight="650">
              Nothing is wrong here.
            </Text>
          )}
        </Box>
      )}
      {!withoutWants && (
        <Box px="16px" pt="14px" pb="14px" borderBottom="1px solid" borderColor="hairline">
          <Heading as="h2" fontSize="section" mb="8px">
            What the household wants
          </Heading>
          {house.wants.length === 0 ? (
            <Text fontSize="small" color="quiet">
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
      )}
      <Box px="16px" py="14px">
        <Heading as="h2" fontSize="section" mb="10px" tabIndex={-1} data-next>
          {hasOwn ? 'Other findings' : 'Findings'}
        </Heading>
        {fixes.error && (
          <Text textStyle="small" mb="10px" role="status">
            {fixes.error.message}{' '}
            <Press kind="plain" onClick={() => fixes.refetch()}>
              Look for fixes again
            </Press>
          </Text>
        )}
        {others.length === 0 ? (
          <Text fontSize="small" color={isEmpty ? 'quiet' : 'moss'} fontWeight={isEmpty ? undefined : 650}>
            {isEmpty
              ? 'There is no box in this house yet, so there is nothing to judge.'
              : own.length > 0
                ? 'None.'
                : 'Nothing is wrong here.'}
          </Text>
        ) : (
          cards(others)
        )}
      </Box>
    </Box>
  )
}
