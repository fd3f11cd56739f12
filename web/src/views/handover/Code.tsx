import { Box } from '@chakra-ui/react'

/** A code to be read by a phone, as the server has drawn it; on paper it is 30 mm wide. */
export function Code({ svg, says, size = '114px' }: { svg: string; says: string; size?: string }) {
  return (
    <Box
      as="img"
      flex="none"
      w={size}
      h={size}
      {...{ src: `data:image/svg+xml;utf8,${encodeURIComponent(svg)}`, alt: says }}
    />
  )
}
