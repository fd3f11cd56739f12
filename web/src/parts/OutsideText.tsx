import { Text } from '@chakra-ui/react'
import { AddressText } from './AddressText'

/** What a box holds on its WAN side: an address, or words where nobody has seen it. */
export function OutsideText({ children, fontSize }: { children: string; fontSize: string }) {
  return /^\d/.test(children) ? (
    <AddressText fontSize={fontSize}>{children}</AddressText>
  ) : (
    <Text as="span" fontSize="small" color="quiet" whiteSpace="nowrap">
      {children}
    </Text>
  )
}
