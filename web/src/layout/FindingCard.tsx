import { Box, Flex, Text } from '@chakra-ui/react'
import { memo, useRef, useState } from 'react'
import { useMatch } from 'react-router'
import type { FindingView, ProvenFix } from '../api/types'
import { Edge } from '../parts/Edge'
import { Press } from '../parts/Press'
import { whereNext } from '../parts/whereNext'
import { say } from '../state/notices'
import { useJob, useTools } from './JobContext'
import { useProven } from './useFixes'

/**
 * What is wrong, who loses what, and the fixes that were simulated: the best one large, the others on request. Nothing is said of fixes
 * while they are not known.
 */
export const FindingCard = memo(function FindingCard(props: {
  finding: FindingView
  fixes: ProvenFix[] | undefined
  isCured: boolean
  isUntried: boolean
}) {
  const { finding, fixes, isCured, isUntried } = props
  const { plan, act, select } = useTools()
  const proven = useProven()
  const { side } = useJob()
  // On the walk a finding is a question too: what is missing in the record may be set in the house.
  const asks = useMatch('/job/:id/visit') !== null && side === 'found'
  const card = useRef<HTMLElement>(null)
  /** A fix is done as it is proved for the house on screen: the button may be of the house before the last change. */
  const asProved = (press: (fix: ProvenFix) => Promise<void>) => (shown: ProvenFix) => async () => {
    const fix = await proven.same(finding.key, shown)
    if (fix) await press(fix)
  }
  const plans = asProved(async (fix) => {
    const next = whereNext(card.current)
    if (await plan(fix)) next()
  })
  const isSo = asProved(async (fix) => {
    const next = whereNext(card.current)
    const failed = await act(fix.actions, `It is so already: ${fix.say}`)
    if (failed) say(failed.message, 'problem')
    else next()
  })
  const soAlready = (fix: ProvenFix) =>
    asks &&
    !fix.actions.some((one) => one.do === 'add-device') && (
      <Press
        kind="plain"
        onClick={isSo(fix)}
        aria-label={`It is so already: ${fix.say}`}
        title="The house has it so; only the record did not. It is noted as found."
      >
        it is so already
      </Press>
    )
  const [open, setOpen] = useState(false)
  const [first, ...others] = fixes ?? []
  const fault = finding.severity === 'fault'
  return (
    <Box
      as="li"
      ref={card}
      position="relative"
      bg="sheet"
      border="1px solid"
      borderColor="hairline"
      borderLeft={fault ? undefined : 'none'}
      borderRadius="2px"
      px="12px"
      py="10px"
      ml="6px"
      overflowWrap="anywhere"
      data-finding={finding.rule}
    >
      <Edge mark={finding.severity} />
      <Text as="h3" fontWeight="700" color="ink">
        <Text as="span" color={fault ? 'brick' : 'ochre'} fontSize="note" mr="2px">
          {fault ? 'Fault:' : 'Caution:'}
        </Text>{' '}
        {finding.title}
      </Text>
      <Text fontSize="small" mt="2px">
        {finding.message}
      </Text>
      {isCured ? (
        <Text mt="8px" fontSize="small" color="moss" fontWeight="650">
          Cured in the plan.
        </Text>
      ) : (
        <Flex mt="10px" gap="8px" wrap="wrap" data-pending={fixes ? undefined : ''}>
          {first && (
            <Press kind="main" onClick={plans(first)} title={first.deeds.join('\n')}>
              {first.say}
            </Press>
          )}
          {first && soAlready(first)}
          {others.length > 0 && (
            <Press onClick={() => setOpen(!open)} aria-expanded={open}>
              Other ways
            </Press>
          )}
          {fixes && !first && (
            <Text fontSize="note" color="quiet">
              {isUntried
                ? 'This house is too big for every fix to be tried.'
                : 'No fix is offered: no setting mends it, or none proved itself when simulated.'}
            </Text>
          )}
          <Press kind="plain" onClick={() => select(finding.subjects[0])}>
            Show it
          </Press>
        </Flex>
      )}
      {open && !isCured && (
        <Flex as="ul" direction="column" gap="6px" mt="8px" listStyleType="none">
          {others.map((fix) => (
            <li key={fix.say}>
              <Press onClick={plans(fix)} title={fix.deeds.join('\n')}>
                {fix.say}
              </Press>{' '}
              {soAlready(fix)}
            </li>
          ))}
        </Flex>
      )}
    </Box>
  )
})
