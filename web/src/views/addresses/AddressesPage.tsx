import { Box, Heading, Spinner, Text } from '@chakra-ui/react'
import { useQuery } from '@tanstack/react-query'
import { addresses } from '../../api/queries'
import { useJob } from '../../layout/JobContext'
import { Problem } from '../../parts/Problem'
import { Reckon } from './Reckon'
import { Subnet } from './Subnet'

/** Each subnet as a ruler, with everything that holds or keeps an address at its place. */
export function AddressesPage() {
  const { job, side, house } = useJob()
  const { data, error } = useQuery({
    ...addresses(job.id, side, job.version),
    placeholderData: (old) => old,
  })
  const rulers = (data ?? []).filter((ruler) => !ruler.isLine)
  const line = (data ?? []).filter((ruler) => ruler.isLine)
  return (
    <Box px={{ base: '16px', md: '24px' }} py="16px" maxW="980px">
      <Heading as="h2" textStyle="stage" mb="10px" tabIndex={-1} data-next>
        Addresses
      </Heading>
      <Problem>{error?.message}</Problem>
      {!data && !error && <Spinner color="spruce" aria-label="Reckoning the addresses" />}
      {data && rulers.length === 0 && (
        <Text mb="12px">
          {(house.document.devices ?? []).length === 0
            ? 'No box yet, so there is no subnet. Begin at Visit.'
            : 'No subnet: nobody here gives out addresses or holds one.'}
        </Text>
      )}
      {rulers.map((ruler) => (
        <Subnet key={`${ruler.segment} ${ruler.prefix}`} ruler={ruler} />
      ))}
      {line.map((ruler) => (
        <Text key={ruler.prefix} textStyle="small" color="quiet" mb="12px">
          The line is in{' '}
          <Text as="span" fontFamily="mono">
            {ruler.prefix}
          </Text>
          {ruler.marks.length > 0 && (
            <>
              {': '}
              {ruler.marks.map((mark) => `${mark.name} ${mark.address}`).join(', ')}
            </>
          )}
        </Text>
      ))}
      <Reckon />
    </Box>
  )
}
