import { Box, Flex, Grid, Heading, Text, VisuallyHidden } from '@chakra-ui/react'
import type { ReactNode } from 'react'
import type { Compared, WorkStep } from '../../api/types'
import { Tick } from '../../parts/Tick'

/** What must be seen when a step is done. `rows`: what was seen of it, each in its place. */
export function ExpectedList({ step, rows }: { step: WorkStep; rows?: Compared[] }) {
  if (step.expect.length === 0) return null
  return (
    <Box mt="18px">
      <Heading as="h4" fontSize="section" mb="4px">
        You should then see
      </Heading>
      <Box as="dl">
        {step.expect.map((reading, n) => (
          <Row key={reading.reading + reading.value} name={reading.reading} width="128px">
            <Seen row={rows?.[n]}>{reading.value}</Seen>
          </Row>
        ))}
      </Box>
    </Box>
  )
}

function Seen({ row, children }: { row?: Compared; children: ReactNode }) {
  if (row?.isAsSaid === true)
    return (
      <Flex as="span" gap="6px" align="baseline" color="moss" fontWeight="650">
        <Tick />
        <span>
          <VisuallyHidden>as said: </VisuallyHidden>
          {row.seen}
        </span>
      </Flex>
    )
  if (row?.isAsSaid === false)
    return (
      <>
        {children}
        <Text color="brick" fontWeight="650">
          now: {row.seen}
        </Text>
      </>
    )
  return children
}

export function Row({
  name,
  width = '72px',
  children,
}: {
  name: string
  width?: string
  children: ReactNode
}) {
  return (
    <Grid templateColumns={`${width} 1fr`} gap="8px" py="4px" alignItems="baseline">
      <Text as="dt" color="quiet" fontSize="small">
        {name}
      </Text>
      <Box as="dd" fontSize="section">
        {children}
      </Box>
    </Grid>
  )
}
