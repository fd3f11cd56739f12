import { Box, Flex, Heading, Text } from '@chakra-ui/react'
import { useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import { whatIfs } from '../../api/queries'
import type { WhatIf } from '../../api/types'
import { useJob, useTools } from '../../layout/JobContext'
import { Press } from '../../parts/Press'
import { LookList } from './LookList'
import { useLook } from './look'

/** The same house with one thing otherwise: a cable, a star in place of a chain, the main unit elsewhere, one more repeater. */
export function WhatElse() {
  const { job, side } = useJob()
  const { data } = useQuery(whatIfs(job.id, side, job.version))
  const [all, setAll] = useState(false)
  if (!data || data.length === 0) return null
  const better = data.filter((one) => one.isBetter)
  const rest = data.filter((one) => !one.isBetter)
  return (
    <Box as="section" aria-label="What else would help?" mt="22px">
      <Heading as="h3" textStyle="section" mb="6px">
        What else would help?
      </Heading>
      <Box as="ul" listStyleType="none">
        {better.map((one) => (
          <Row key={one.id} one={one} />
        ))}
        {all && rest.map((one) => <Row key={one.id} one={one} />)}
      </Box>
      {better.length === 0 && (
        <Text textStyle="small">Nothing of what was tried gives the weakest room more.</Text>
      )}
      {rest.length > 0 && (
        <Press kind="plain" aria-expanded={all} onClick={() => setAll(!all)}>
          {all ? 'Hide what would not help' : `${rest.length} more that would not help`}
        </Press>
      )}
    </Box>
  )
}

function Row({ one }: { one: WhatIf }) {
  const { plan } = useTools()
  const { look, show } = useLook()
  return (
    <Box as="li" py="7px" borderBottom="1px solid" borderColor="hairline">
      <Text fontWeight="650">{one.title}</Text>
      <Text textStyle="small">{one.says}</Text>
      {one.cautions.map((caution) => (
        <Text key={caution} textStyle="note" color="ochre">
          {caution}
        </Text>
      ))}
      <Flex gap="8px" mt="4px" wrap="wrap">
        {one.actions.length > 0 && one.isBetter && (
          <Press onClick={() => plan({ say: one.title, actions: one.actions, deeds: [] } as never)}>
            See the house with it
          </Press>
        )}
        <Press
          kind="plain"
          aria-pressed={look?.says === one.title}
          onClick={() => show(look?.says === one.title ? null : { rooms: one.rooms, says: one.title })}
        >
          {look?.says === one.title ? 'hide' : 'each room'}
        </Press>
      </Flex>
      {look?.says === one.title && <LookList rooms={one.rooms} />}
    </Box>
  )
}
