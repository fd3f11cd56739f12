import { Box, Text } from '@chakra-ui/react'
import { useQuery } from '@tanstack/react-query'
import { lastChange } from '../api/queries'
import { useJob } from './JobContext'

/** What the last change of the plan costs: said as soon as it is made, while it can be taken back with a key. */
export function LastChange() {
  const { job, house, side } = useJob()
  const asks = side === 'planned' && house.undo != null
  const { data } = useQuery({ ...lastChange(job.id, job.version), enabled: asks })
  if (!asks || !data) return null
  return (
    <Box
      as="section"
      aria-label="The last change"
      px="16px"
      py="10px"
      borderBottom="1px solid"
      borderColor="hairline"
    >
      <Text textStyle="note" overflowWrap="anywhere">
        {house.undo}
      </Text>
      <Text textStyle="small" color={data.lost.length > 0 || data.faults > 0 ? 'brick' : undefined}>
        {data.says}
      </Text>
    </Box>
  )
}
