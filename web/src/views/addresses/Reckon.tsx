import { Box, Flex, Text } from '@chakra-ui/react'
import { useQuery } from '@tanstack/react-query'
import { useDeferredValue } from 'react'
import { reckon } from '../../api/queries'
import { useJob } from '../../layout/JobContext'
import { PlainField } from '../../parts/PlainField'
import { Problem } from '../../parts/Problem'
import { useFormDraft } from '../../parts/useDraft'

/** Any address or prefix: its network, its ends, its kind, and what of this house it meets. */
export function Reckon() {
  const { job, side } = useJob()
  const { values, set } = useFormDraft('reckon', { asked: '' })
  const asked = useDeferredValue(values.asked.trim())
  const { data, error } = useQuery({
    ...reckon(job.id, side, job.version, asked),
    enabled: asked.length > 6,
  })
  return (
    <Box borderTop="1px solid" borderColor="hairline" pt="12px" mt="8px">
      <Flex gap="8px 16px" wrap="wrap" align="start">
        <PlainField
          label="Reckon"
          width="230px"
          mono
          kind="name"
          placeholder="10.20.3.200/26"
          value={values.asked}
          onChange={(text) => set({ asked: text })}
        />
        <Box flex="1" minW="260px" pt={{ md: '20px' }} aria-live="polite">
          {asked.length > 6 && error && <Problem>{error.message}</Problem>}
          {asked.length > 6 && data && (
            <>
              <Text fontFamily="mono" fontSize="text" overflowWrap="anywhere">
                network {data.network} · first {data.first} · last {data.last} · broadcast {data.broadcast}
              </Text>
              <Text fontFamily="mono" fontSize="text">
                {data.prefix} · mask {data.mask} · {data.hosts.toLocaleString('en-GB')}{' '}
                {data.hosts === 1 ? 'host' : 'hosts'}
              </Text>
              <Text textStyle="small">
                {data.kind}
                {data.role ? `; ${data.role}` : ''}
              </Text>
              {data.clashes.map((clash) => (
                <Text key={clash} textStyle="small" color="ochre" fontWeight="650">
                  {clash}
                </Text>
              ))}
            </>
          )}
        </Box>
      </Flex>
    </Box>
  )
}
