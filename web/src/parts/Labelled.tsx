import { Box, Text } from '@chakra-ui/react'
import type { ReactNode } from 'react'

/** A field with its name above it; pressing the name goes to the field. */
export function Labelled(props: { label: string; id: string; width: string; children: ReactNode }) {
  return (
    <Box w={props.width} maxW="100%">
      <Text as="label" display="block" fontSize="13px" color="quiet" {...{ htmlFor: props.id }}>
        {props.label}
      </Text>
      {props.children}
    </Box>
  )
}

/** How every field to type or choose in looks. */
export const fieldLook = {
  h: { base: '38px', md: '30px' },
  px: '8px',
  bg: 'paper',
  borderColor: 'quiet',
  borderRadius: '4px',
  fontSize: '15px',
} as const
