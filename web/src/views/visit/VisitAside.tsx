import { Box, Heading, Text } from '@chakra-ui/react'
import { useQuery } from '@tanstack/react-query'
import { walk as walkQuery } from '../../api/queries'
import { useJob } from '../../layout/JobContext'
import { usePlace } from '../../layout/usePlace'
import { Press } from '../../parts/Press'
import { keyOfAsked } from './stops'

/** What nobody has looked at yet, and what follows from what was seen. */
export function VisitAside() {
  const { job } = useJob()
  const { turn } = usePlace()
  const { data } = useQuery({ ...walkQuery(job.id, job.version), placeholderData: (old) => old })
  if (!data) return null
  return (
    <Box px="16px" py="14px" borderBottom="1px solid" borderColor="hairline">
      <Heading as="h2" textStyle="section" mb="8px">
        Still asked for
      </Heading>
      {data.asked.length === 0 ? (
        <Text textStyle="small" color="quiet">
          Nothing: what plans and orders need is there.
        </Text>
      ) : (
        <Box as="ul" listStyleType="none">
          {data.asked.map((one) => (
            <Box as="li" key={`${one.what}${one.box ?? ''}`} mb="8px">
              <Press kind="plain" onClick={() => turn({ step: keyOfAsked(one) })}>
                {one.what}
              </Press>
              <Text textStyle="small" color="quiet" px="4px">
                {one.why}
              </Text>
            </Box>
          ))}
        </Box>
      )}
      {data.meanings.length > 0 && (
        <>
          <Heading as="h2" textStyle="section" mt="12px" mb="6px">
            What it means so far
          </Heading>
          {data.meanings.map((meaning) => (
            <Text key={meaning} textStyle="small" mb="6px">
              {meaning}
            </Text>
          ))}
        </>
      )}
    </Box>
  )
}
