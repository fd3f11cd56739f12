import { Box, Flex, Text } from '@chakra-ui/react'
import type { AdaptersView } from '../api/types'
import { useEyes } from '../state/eyes'
import { Press } from './Press'

/** A laptop on two networks shows both: somebody says which is the house's. */
export function WhichAdapter({ job, adapters }: { job: string; adapters: AdaptersView }) {
  const chosen = useEyes((eyes) => eyes.adapter[job])
  const set = useEyes((eyes) => eyes.set)
  const isTwo = adapters.all.length > 1
  if (!isTwo && !adapters.fixed) return null
  return (
    <Box mt="6px">
      {isTwo && (
        <>
          <Text color={adapters.ask ? 'ochre' : 'quiet'} fontWeight={adapters.ask ? '650' : undefined}>
            {adapters.ask ?? 'The laptop is on two networks. The house’s is:'}
          </Text>
          <Flex gap="8px" wrap="wrap" mt="4px">
            {adapters.all.map((one) => (
              <Press
                key={one.name}
                aria-pressed={one.name === chosen}
                kind={one.name === chosen ? 'main' : undefined}
                onClick={() => set('adapter', job, one.name)}
              >
                {one.says}
              </Press>
            ))}
          </Flex>
        </>
      )}
      {adapters.fixed && (
        <Text mt="6px" color="ochre">
          {adapters.fixed}
        </Text>
      )}
    </Box>
  )
}
