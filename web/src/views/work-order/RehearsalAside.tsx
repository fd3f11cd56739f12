import { Box, Flex, Heading, Text } from '@chakra-ui/react'
import { useQuery } from '@tanstack/react-query'
import { rehearsal, workOrder } from '../../api/queries'
import { useJob } from '../../layout/JobContext'
import { usePlace } from '../../layout/usePlace'
import { WantLine } from '../../layout/WantLine'
import { useAsked } from '../../state/way'

/** The wants in the house as it is at the step that is played; what the plan comes to would be another house's verdict. */
export function RehearsalAside() {
  const { job } = useJob()
  const { params } = usePlace()
  const asked = useAsked(job.id)
  const { data: order } = useQuery({ ...workOrder(job.id, job.version, asked), enabled: false })
  const step = params.get('step') ?? ''
  const { data } = useQuery({
    ...rehearsal(job.id, job.version, asked, order?.turns.length ?? 0, step),
    enabled: order !== undefined && step !== '',
    placeholderData: (old) => old,
  })
  if (!data) return null
  const number = order?.order.steps.find((one) => one.key === data.step)?.number
  return (
    <Box px="16px" py="14px">
      <Heading as="h2" fontSize="section" mb="8px">
        When step {number} is done
      </Heading>
      {data.house.wants.length === 0 ? (
        <Text fontSize="small" color="quiet">
          No want is written down that could be looked at.
        </Text>
      ) : (
        <Flex as="ul" direction="column" gap="6px" listStyleType="none">
          {data.house.wants.map((want) => (
            <WantLine key={want.need} want={want} />
          ))}
        </Flex>
      )}
    </Box>
  )
}
