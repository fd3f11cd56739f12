import { Box, Flex, Grid, Text } from '@chakra-ui/react'
import type { Compared } from '../../api/types'
import { Tick } from '../../parts/Tick'

/** What must be seen, and what was. `nothing`: what stands where it was not said. */
export function ComparedRows({ rows, nothing }: { rows: Compared[]; nothing: string }) {
  return (
    <Box as="dl">
      {rows.map((row) => (
        <Grid
          key={row.reading + row.expected}
          templateColumns="128px 1fr"
          gap="8px"
          py="4px"
          alignItems="baseline"
        >
          <Text as="dt" color="quiet" fontSize="small">
            {row.reading}
          </Text>
          <Box as="dd" fontSize="text">
            {row.isAsSaid === true && (
              <Flex as="span" gap="6px" align="baseline" color="moss" fontWeight="650">
                <Tick /> as said: {row.seen}
              </Flex>
            )}
            {row.isAsSaid === false && (
              <Text as="span" color="brick" fontWeight="650">
                {row.seen}, not {row.expected}
              </Text>
            )}
            {row.isAsSaid == null && (
              <Text as="span" color="quiet">
                {nothing}
              </Text>
            )}
          </Box>
        </Grid>
      ))}
    </Box>
  )
}
