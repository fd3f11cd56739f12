import { Box, Input, Text } from '@chakra-ui/react'
import { useId } from 'react'

/** A labelled field of a form that is sent as a whole. */
export function PlainField(props: {
  label: string
  value: string
  width?: string
  mono?: boolean
  onChange: (text: string) => void
}) {
  const { label, value, width = '170px', mono, onChange } = props
  const id = useId()
  return (
    <Box w={width} maxW="100%">
      <Text as="label" display="block" fontSize="13px" color="quiet" {...{ htmlFor: id }}>
        {label}
      </Text>
      <Input
        id={id}
        size="sm"
        h={{ base: '38px', md: '30px' }}
        px="8px"
        bg="paper"
        borderColor="quiet"
        borderRadius="4px"
        fontFamily={mono ? 'mono' : 'body'}
        fontSize="15px"
        autoComplete="off"
        spellCheck={false}
        value={value}
        onChange={(event) => onChange(event.target.value)}
      />
    </Box>
  )
}
