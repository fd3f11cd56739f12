import { Text, type TextProps } from '@chakra-ui/react'

/** What is wrong and how to mend it; nothing where nothing is. */
export function Problem({ children, ...look }: TextProps) {
  if (!children) return null
  return (
    <Text role="alert" color="brick" {...look}>
      {children}
    </Text>
  )
}
