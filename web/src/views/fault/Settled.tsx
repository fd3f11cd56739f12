import { Box, Heading, Text } from '@chakra-ui/react'
import { useState } from 'react'
import type { DiagnosisView, FoundOut } from '../../api/types'
import { Press } from '../../parts/Press'
import { LookCard } from './LookCard'
import { Mend } from './Mend'
import { minutesOf } from './minutes'

/** Nothing is left to tell apart: what it is, how to make sure, how it is mended. */
export function Settled(props: {
  data: DiagnosisView
  found: FoundOut
  onSeen: Parameters<typeof LookCard>[0]['onSeen']
  onMended: (cause: number) => Promise<boolean>
}) {
  const { found } = props
  const [isSure, setSure] = useState(false)
  const [first] = found.causes
  if (!first)
    return (
      <Box p="16px" border="1.5px solid" borderColor="ochre" borderRadius="4px" bg="sheet" role="status">
        <Heading as="h3" fontSize="20px" tabIndex={-1} data-look-head>
          Nothing that we can think of explains all of this.
        </Heading>
        <Text mt="6px">
          Check once more what is not as it should be: take it out of the list and check it again.
        </Text>
      </Box>
    )
  return (
    <Box p="16px" border="1.5px solid" borderColor="moss" borderRadius="4px" bg="sheet">
      <Text fontSize="small" color="quiet">
        {first.sentences.length > 1
          ? 'No check tells these apart. Try the likeliest first'
          : 'This explains all that was seen'}
      </Text>
      <Heading as="h3" fontSize={{ base: '19px', md: '22px' }} mt="4px" tabIndex={-1} data-look-head>
        {first.sentences[0]}
      </Heading>
      {first.sentences.length > 1 && (
        <Box as="ul" pl="18px" listStyleType="disc" fontSize="small" mt="4px">
          {first.sentences.slice(1).map((one) => (
            <li key={one}>Or: {one}</li>
          ))}
        </Box>
      )}
      {found.confirm && (
        <Box mt="8px">
          <Press kind="plain" aria-expanded={isSure} onClick={() => setSure(!isSure)}>
            Make sure first ({minutesOf(found.confirm.minutes)})
          </Press>
          {isSure && (
            <LookCard key={found.confirm.key} look={found.confirm} head="Make sure" onSeen={props.onSeen} />
          )}
        </Box>
      )}
      <Mend cause={first} index={0} onMended={() => props.onMended(0)} />
    </Box>
  )
}
