import { Box, Text } from '@chakra-ui/react'
import type { WorkOrderView } from '../../api/types'

/** What of an order could not be proved when it was simulated. */
export function Gaps({ order }: { order: WorkOrderView['order'] }) {
  if (order.gaps.length === 0) return null
  return (
    <Box role="alert" mt="8px" p="10px" border="1px dashed" borderColor="ochre">
      {order.steps.length > 0 && (
        <Text fontWeight="700" color="ochre">
          This order could not be proved when it was simulated:
        </Text>
      )}
      {order.gaps.map(({ says: gap }) => (
        <Text key={gap} fontSize="small">
          {gap}
        </Text>
      ))}
    </Box>
  )
}
