import { Text, type TextProps } from '@chakra-ui/react'

/** An address, MAC, key or name of a network: in the face that tells 0 from O and 1 from l. */
export function AddressText(props: TextProps) {
  return <Text as="span" fontFamily="mono" {...props} />
}
