import { Box, NativeSelect, Text } from '@chakra-ui/react'
import { useId } from 'react'

/** A labelled list to choose one from; the platform's own, so that a phone shows its wheel. */
export function Choice<T extends string>(props: {
  label: string
  value: T
  options: { value: T; label: string; disabled?: boolean }[]
  width?: string
  onChange: (value: T) => void
}) {
  const { label, value, options, width = '170px', onChange } = props
  const id = useId()
  return (
    <Box w={width} maxW="100%">
      <Text as="label" display="block" fontSize="13px" color="quiet" {...{ htmlFor: id }}>
        {label}
      </Text>
      <NativeSelect.Root size="sm">
        <NativeSelect.Field
          id={id}
          h={{ base: '38px', md: '30px' }}
          px="8px"
          bg="paper"
          borderColor="quiet"
          borderRadius="4px"
          fontSize="15px"
          value={value}
          onChange={(event) => onChange(event.target.value as T)}
        >
          {options.map((option) => (
            <option key={option.value} value={option.value} disabled={option.disabled}>
              {option.label}
            </option>
          ))}
        </NativeSelect.Field>
        <NativeSelect.Indicator />
      </NativeSelect.Root>
    </Box>
  )
}
