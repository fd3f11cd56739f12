import { Box, Flex, Text } from '@chakra-ui/react'
import { useState } from 'react'
import { Link } from 'react-router'
import type { Ruler } from '../../api/types'
import { useJob } from '../../layout/JobContext'
import { Press } from '../../parts/Press'
import { useNarrow } from '../../parts/useNarrow'
import { count } from '../../parts/words'
import { markWords } from './marks'

const few = 6

/** The same as the ruler, row by row: what a phone shows, and what is read aloud. */
export function MarkRows({ ruler }: { ruler: Ruler }) {
  const { job, side } = useJob()
  const narrow = useNarrow()
  const [isOpen, setOpen] = useState(false)
  // Clashes are always in sight.
  const marks =
    isOpen || narrow || ruler.marks.length <= few ? ruler.marks : ruler.marks.filter((mark) => mark.amiss)
  return (
    <Box mt="6px">
      <Box as="ul" listStyleType="none" aria-label={`Addresses of ${ruler.prefix}`}>
        {marks.map((mark) => (
          <Flex
            as="li"
            key={`${mark.address} ${mark.owner ?? mark.name}`}
            gap="0 14px"
            align="baseline"
            wrap="wrap"
            py={{ base: '8px', md: '2px' }}
            borderBottomWidth={{ base: '1px', md: '0' }}
            borderColor="hairline"
          >
            <Text fontFamily="mono" w="150px" flex="none" fontWeight={mark.kind === 'gateway' ? 700 : 400}>
              {mark.address}
            </Text>
            <Text w={{ base: 'auto', md: '190px' }} overflowWrap="anywhere" dir="auto">
              {mark.owner && mark.owner !== 'isp' ? (
                <Link
                  to={`/job/${job.id}/stairs?${side === 'planned' ? 'side=planned&' : ''}box=${encodeURIComponent(mark.owner)}`}
                >
                  {mark.name}
                </Link>
              ) : (
                mark.name
              )}
            </Text>
            <Text
              textStyle="small"
              color={mark.amiss ? 'brick' : 'quiet'}
              fontWeight={mark.amiss ? 650 : 400}
            >
              {markWords[mark.kind]}
              {mark.amiss ? `: ${mark.amiss}` : ''}
            </Text>
          </Flex>
        ))}
      </Box>
      {marks.length < ruler.marks.length && (
        <Press kind="plain" onClick={() => setOpen(true)}>
          all {count(ruler.marks.length, 'address', 'addresses')}, row by row
        </Press>
      )}
    </Box>
  )
}
