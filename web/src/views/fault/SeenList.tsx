import { Box, Flex, Heading, Text } from '@chakra-ui/react'
import { Press } from '../../parts/Press'
import type { SeenGroup } from './useDiagnosis'

/** What was seen, in order; each can be taken out. */
export function SeenList({
  groups,
  onTakeOut,
}: {
  groups: SeenGroup[]
  onTakeOut: (group: SeenGroup) => unknown
}) {
  return (
    <Box as="section" aria-label="What was seen">
      <Heading as="h3" textStyle="section">
        Seen so far
      </Heading>
      <Box as="ol" listStyleType="none" mt="4px">
        {groups.map((group, i) => (
          <Flex
            as="li"
            key={group.says.join()}
            py="6px"
            gap="8px"
            justify="space-between"
            align="start"
            borderTop="1px solid"
            borderColor="hairline"
            data-seen
          >
            <Text>
              <Text as="span" color="quiet">
                {i + 1}.{' '}
              </Text>
              {together(group.says)}
              {group.isOdd && (
                <Text as="span" color="brick" fontWeight="650">
                  {' '}
                  – not as it should be
                </Text>
              )}
            </Text>
            <Press
              kind="plain"
              flex="none"
              onClick={() => onTakeOut(group)}
              aria-label={`Take out: ${group.says[0]}`}
            >
              take out
            </Press>
          </Flex>
        ))}
      </Box>
    </Box>
  )
}

/** Several readings of one place: the place once. */
function together([first, ...rest]: string[]) {
  const at = first.indexOf(': ')
  const place = first.slice(0, at + 2)
  return [first, ...rest.map((one) => (one.startsWith(place) ? one.slice(place.length) : one))].join(' · ')
}
