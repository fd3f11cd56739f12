import { Box, Flex, Heading, Text } from '@chakra-ui/react'
import { useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import { guestOffer, nameSchools } from '../../api/queries'
import type { NameSchool } from '../../api/types'
import { useJob, useTools } from '../../layout/JobContext'
import { Press } from '../../parts/Press'
import { Toggle } from '../../parts/Toggle'
import { count, nameOf } from '../../parts/words'

/** The three schools of naming, with what each means in this house and what it costs to go there. */
export function Names() {
  const { job, side } = useJob()
  const [apart, setApart] = useState(false)
  const { data } = useQuery(nameSchools(job.id, side, job.version, apart))
  if (!data || data.length === 0) return null
  return (
    <Box as="section" aria-label="Names" mt="22px">
      <Heading as="h3" textStyle="section" mb="2px">
        Names
      </Heading>
      <Toggle label="the newer band under a name of its own" on={apart} set={setApart} />
      <Box display="grid" gridTemplateColumns={{ base: '1fr', md: 'repeat(3, 1fr)' }} gap="14px" mt="6px">
        {data.map((school) => (
          <School key={school.id} school={school} />
        ))}
      </Box>
      <Guests />
    </Box>
  )
}

function School({ school }: { school: NameSchool }) {
  const { house } = useJob()
  const { plan } = useTools()
  const names = [...new Map(school.names.map((one) => [`${one.device} ${one.ssid}`, one])).values()]
  return (
    <Box borderTop="2px solid" borderColor={school.isNow ? 'ink' : 'hairline'} pt="6px">
      <Text fontWeight="700">
        {school.title}
        {school.isNow && (
          <Text as="span" color="moss" fontSize="note">
            {' '}
            · as it is
          </Text>
        )}
      </Text>
      <Box as="ul" listStyleType="none" mb="4px">
        {names.map((one) => (
          <Text as="li" key={`${one.device} ${one.ssid}`} textStyle="note">
            {nameOf(house.document, one.device)}{' '}
            <Text as="span" fontFamily="mono" color="ink">
              {one.ssid}
            </Text>
          </Text>
        ))}
      </Box>
      {school.means.map((line) => (
        <Text key={line} textStyle="small">
          {line}
        </Text>
      ))}
      {!school.isNow && (
        <>
          <Text textStyle="small" mt="4px">
            {school.touches.length === 0
              ? 'Nothing has to be typed anew: the names that things know go on being made.'
              : `Typed anew on ${count(school.touches.length, 'thing')}: ${school.touches.map((id) => nameOf(house.document, id)).join(', ')}.`}
          </Text>
          <Flex mt="6px">
            <Press
              onClick={() =>
                plan({ say: `Names: ${school.title}`, actions: school.actions, deeds: [] } as never)
              }
            >
              Name them so
            </Press>
          </Flex>
        </>
      )}
    </Box>
  )
}

/** The guests' names and whether they are kept apart; or a network for them in one press. */
function Guests() {
  const { job, side, house } = useJob()
  const { plan } = useTools()
  const { data } = useQuery(guestOffer(job.id, side, job.version))
  const loose = house.findings.filter((finding) => finding.rule === 'guests-not-apart')
  if (!data) return null
  return (
    <Box as="section" aria-label="Guests" mt="14px" borderTop="2px solid" borderColor="hairline" pt="6px">
      <Text fontWeight="700">For guests</Text>
      {data.names.length > 0 ? (
        <Text textStyle="small">
          <Text as="span" fontFamily="mono">
            {data.names.join(', ')}
          </Text>
          , by {data.by.map((id) => nameOf(house.document, id)).join(', ')}.{' '}
          {loose.length > 0 ? loose.map((finding) => finding.message).join(' ') : 'They are kept apart.'}
        </Text>
      ) : (
        <Text textStyle="small">
          Nobody makes a network for guests.{' '}
          {data.ssid && (
            <Text as="span" fontFamily="mono">
              {data.ssid}
            </Text>
          )}
          {data.ssid ? ': ' : ''}
          {data.says}
        </Text>
      )}
      {data.actions.length > 0 && (
        <Flex mt="6px">
          <Press
            onClick={() =>
              plan({ say: `A network for guests, ${data.ssid}`, actions: data.actions, deeds: [] } as never)
            }
          >
            Make it for guests
          </Press>
        </Flex>
      )}
    </Box>
  )
}
