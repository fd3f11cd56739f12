import { Box, Flex, Heading, Text } from '@chakra-ui/react'
import { useState } from 'react'
import type { SeenEntry } from '../../api/types'
import { useJob } from '../../layout/JobContext'
import { usePlace } from '../../layout/usePlace'
import { Choice } from '../../parts/Choice'
import { complaintIn } from '../../parts/complaintOf'
import { Press } from '../../parts/Press'
import { complaintKinds } from './complaints'

/** What does not work, as a sentence with blanks. */
export function Complaint({ onBegin }: { onBegin: (seen: SeenEntry[]) => Promise<boolean> }) {
  const { house } = useJob()
  const kinds = complaintKinds(house.document)
  const { params } = usePlace()
  // It may come from a want that fails on site.
  const asked = complaintIn(params.get('step'))
  const [kindId, setKind] = useState(asked?.kind ?? '')
  const [chosen, setChosen] = useState<Record<string, string>>(() =>
    Object.fromEntries(
      (kinds.find((one) => one.id === asked?.kind)?.blanks ?? []).map((blank, i) => [
        `${asked?.kind}.${blank.name}`,
        asked?.blanks[i] ?? '',
      ]),
    ),
  )
  const kind = kinds.find((one) => one.id === kindId) ?? kinds[0]
  if (!kind)
    return (
      <Text mt="12px">Nothing is entered yet that could fail. Begin with the boxes at Visit or Stairs.</Text>
    )
  const filled = kind.blanks.map(
    (blank) => chosen[`${kind.id}.${blank.name}`] ?? blank.options[0]?.value ?? '',
  )
  return (
    <Box as="section" mt="12px" maxW="760px" aria-label="What does not work">
      <Heading as="h3" textStyle="section" tabIndex={-1} data-complaint-head>
        What does not work?
      </Heading>
      <Flex mt="10px" gap="8px" wrap="wrap" role="group" aria-label="Kinds of complaint">
        {kinds.map((one) => (
          <Press
            key={one.id}
            minH="40px"
            aria-pressed={one === kind}
            onClick={() => setKind(one.id)}
            borderColor={one === kind ? 'spruce' : undefined}
            bg={one === kind ? 'spruceWash' : undefined}
          >
            {one.name}
          </Press>
        ))}
      </Flex>
      <Flex mt="12px" gap="12px" wrap="wrap" align="end">
        {kind.blanks.map((blank, i) => (
          <Choice
            key={`${kind.id}.${blank.name}`}
            label={blank.name}
            width="220px"
            value={filled[i]}
            onChange={(value) => setChosen({ ...chosen, [`${kind.id}.${blank.name}`]: value })}
            options={blank.options}
          />
        ))}
        <Press kind="main" minH="40px" onClick={() => onBegin([kind.seen(filled)])} data-begin>
          Find out why
        </Press>
      </Flex>
      <Text mt="10px" fontSize="small" color="quiet">
        Altrin goes through every fault that would look like this, and asks for the quickest check that
        narrows them down. Nothing in the house is changed by it.
      </Text>
    </Box>
  )
}
