import { Flex, Text } from '@chakra-ui/react'
import { CopyButton } from './CopyButton'

/** A line to be typed elsewhere, copied with one press. */
export function Copy({ label, text }: { label: string; text: string }) {
  return (
    <Flex align="baseline" gap="0 8px" wrap="wrap">
      <Text textStyle="note" w="96px">
        {label}
      </Text>
      <Text fontFamily="mono" fontSize="note" flex="1" minW="220px" overflowWrap="anywhere">
        {text}
      </Text>
      <CopyButton value={text} what={`the line for ${label}:`} />
    </Flex>
  )
}
