import { Box, Text } from '@chakra-ui/react'
import { useQuery } from '@tanstack/react-query'
import { log } from '../api/queries'
import { Sheet } from '../parts/Sheet'
import { useJob } from './JobContext'

/** What was changed, in order, in both houses. */
export function LogSheet({ onClose }: { onClose: () => void }) {
  const { job, side } = useJob()
  const { data } = useQuery(log(job.id, job.version))
  return (
    <Sheet
      title="What was changed"
      open
      onClose={onClose}
      footer={
        <Text flex="1" color="spruce" fontSize="small" textDecoration="underline">
          <a href={`/api/jobs/${job.id}/${side}/document`} download>
            Save the house {side === 'found' ? 'as found' : 'as planned'} as a document
          </a>
        </Text>
      }
    >
      <Box as="ol" listStyleType="none">
        {(data ?? []).map((entry) => (
          <Box
            as="li"
            key={`${entry.side}${entry.number}`}
            display="flex"
            gap="12px"
            py="3px"
            fontWeight={entry.isCurrent ? 700 : 400}
          >
            <Text w="64px" color="quiet" fontSize="small" flexShrink={0}>
              {entry.side === 'found' ? 'found' : 'planned'}
            </Text>
            <Text w="46px" color="quiet" fontSize="small" flexShrink={0}>
              {new Date(entry.at).toLocaleTimeString('en-GB', { hour: '2-digit', minute: '2-digit' })}
            </Text>
            <Text>{entry.sentence}</Text>
          </Box>
        ))}
      </Box>
    </Sheet>
  )
}
