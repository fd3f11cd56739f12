import { Box, Flex, Text } from '@chakra-ui/react'
import { memo } from 'react'
import type { WantView } from '../api/types'

const words = { yes: 'holds', no: 'fails', sometimes: 'depends' } as const
const colours = { yes: 'moss', no: 'brick', sometimes: 'ochre' } as const

export const WantLine = memo(function WantLine({ want, always }: { want: WantView; always?: boolean }) {
  const met = want.met ?? null
  return (
    <Flex as="li" gap="8px" align="baseline">
      <Text w="58px" flexShrink={0} fontWeight="700" fontSize="small" color={met ? colours[met] : 'quiet'}>
        {met ? words[met] : 'open'}
      </Text>
      <Box minW="0" overflowWrap="anywhere">
        <Text fontSize="small">{want.sentence}</Text>
        {(always || met !== 'yes') && (
          <Text fontSize="note" color="quiet">
            {want.because}
          </Text>
        )}
      </Box>
    </Flex>
  )
})
