import { Box, Flex, Heading, Text } from '@chakra-ui/react'
import type { MouseEvent } from 'react'
import type { HeldDeed } from '../api/types'
import { Edge } from '../parts/Edge'
import { Press } from '../parts/Press'
import { whereNext } from '../parts/whereNext'
import { useTools } from './JobContext'

/** What was planned and cannot be done in the house as it was found to be: in no verdict and in no order until somebody says what becomes of it. */
export function HeldDeeds({ held }: { held: HeldDeed[] }) {
  const { answer } = useTools()
  if (held.length === 0) return null
  const after = (what: 'take-out' | 'keep', one: HeldDeed) => async (event: MouseEvent<HTMLElement>) => {
    const next = whereNext(event.currentTarget.closest('li'))
    if (await answer(one, what)) next()
  }
  return (
    <Box px="16px" py="14px" borderBottom="1px solid" borderColor="hairline">
      <Heading as="h2" fontSize="section" mb="8px" tabIndex={-1} data-next>
        Planned, but not possible any more
      </Heading>
      <Flex as="ul" direction="column" gap="12px" listStyleType="none">
        {held.map((one) => (
          <Box as="li" key={`${one.index}-${one.say}`} position="relative" pl="12px">
            {!one.later && <Edge mark="caution" />}
            <Text fontWeight="650" dir="auto">
              {one.say}
            </Text>
            <Text fontSize="small" color="quiet" dir="auto">
              {one.why}
            </Text>
            {one.later && (
              <Text fontSize="small">Kept for later: it is done as soon as the house allows it.</Text>
            )}
            <Flex gap="8px" mt="6px" wrap="wrap">
              <Press onClick={after('take-out', one)}>Take it out</Press>
              {!one.later && <Press onClick={after('keep', one)}>Keep it for later</Press>}
            </Flex>
          </Box>
        ))}
      </Flex>
    </Box>
  )
}
