import { Box, Heading } from '@chakra-ui/react'
import { Link } from 'react-router'
import type { HandoverView } from '../../api/types'
import { useJob } from '../../layout/JobContext'

/** What the record still lacks, each with the place where it is noted. */
export function Missing({ missing }: { missing: HandoverView['missing'] }) {
  const { job } = useJob()
  if (missing.length === 0) return null
  return (
    <Box as="section" mt="14px" maxW="760px" className="no-print" aria-label="Still missing">
      <Heading as="h3" textStyle="section">
        Still missing
      </Heading>
      <Box as="ul" pl="18px" listStyleType="disc" fontSize="small" mt="4px">
        {missing.map((one) => (
          <li key={one.says}>
            {one.says}{' '}
            {one.box && (
              <Link to={`/job/${job.id}/stairs?box=${encodeURIComponent(one.box)}`} className="textlink">
                note it
              </Link>
            )}
          </li>
        ))}
      </Box>
    </Box>
  )
}
