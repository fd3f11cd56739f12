import { Box, type BoxProps } from '@chakra-ui/react'

/** What floats at the foot of the sheet, above the picture. */
export function Foot(props: BoxProps) {
  return (
    <Box
      position="sticky"
      bottom="0"
      bg="sheet"
      borderTop="2px solid"
      borderColor="spruce"
      boxShadow="0 -6px 18px rgba(20,30,32,.12)"
      px={{ base: '14px', md: '24px' }}
      py="10px"
      zIndex="5"
      {...props}
    />
  )
}
