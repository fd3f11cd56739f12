import { Box, Text } from '@chakra-ui/react'
import { verdictWords } from '../parts/words'
import { useJob } from './JobContext'

/** What stands on top of every printed sheet; on screen it is not there. */
export function PrintedHead({ stage }: { stage: string }) {
  const { job, side, house } = useJob()
  return (
    <Box display="none" className="print-only" mb="12px">
      <Text fontSize="20px" fontWeight="700" dir="auto">
        {job.name}
      </Text>
      <Text>
        {stage}, {side === 'found' ? 'as found' : 'as planned'},{' '}
        {new Date().toLocaleDateString('en-GB', { day: 'numeric', month: 'long', year: 'numeric' })}.{' '}
        {verdictWords(house.verdict)}
      </Text>
    </Box>
  )
}
