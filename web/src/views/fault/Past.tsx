import { Box, Heading, Text } from '@chakra-ui/react'
import type { PastDiagnosis } from '../../api/types'
import { when } from '../../parts/when'
import { count } from '../../parts/words'

/** What was looked for before, and what it was. */
export function Past({ past }: { past: PastDiagnosis[] }) {
  if (past.length === 0) return null
  return (
    <Box as="section" mt="24px" maxW="760px" aria-label="Found before">
      <Heading as="h3" textStyle="section">
        Found before
      </Heading>
      <Box as="ol" listStyleType="none">
        {past.map((one) => (
          <Box as="li" key={one.number} py="8px" borderTop="1px solid" borderColor="hairline" data-past>
            <Text>
              {one.says || 'A complaint about what is gone from the house'}
              <Text as="span" color="quiet" fontSize="small">
                {' '}
                · {when(one.startedAt)} · {count(one.looks, 'reading')}
              </Text>
            </Text>
            <Text color={one.cause ? 'moss' : 'quiet'}>
              {one.cause ? `It was: ${one.cause}` : 'Not found.'}
            </Text>
            {one.mend && <Text fontSize="small">{one.mend}.</Text>}
          </Box>
        ))}
      </Box>
    </Box>
  )
}
