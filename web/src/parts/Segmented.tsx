import { Box, Flex } from '@chakra-ui/react'

type Option<T extends string> = { value: T; label: string }

/** Two or three ways, one of them chosen; the arrow keys move between them. */
export function Segmented<T extends string>(props: {
  label: string
  options: Option<T>[]
  value: T
  onChange: (value: T) => void
}) {
  const { label, options, value, onChange } = props
  const move = (by: number) => {
    const at = options.findIndex((option) => option.value === value)
    onChange(options[(at + by + options.length) % options.length].value)
  }
  return (
    <Flex
      role="radiogroup"
      aria-label={label}
      border="1.5px solid"
      borderColor="spruce"
      borderRadius="4px"
      overflow="hidden"
    >
      {options.map((option) => {
        const on = option.value === value
        return (
          <Box
            as="button"
            key={option.value}
            role="radio"
            aria-checked={on}
            tabIndex={on ? 0 : -1}
            onClick={() => onChange(option.value)}
            onKeyDown={(event) => {
              if (event.key === 'ArrowRight' || event.key === 'ArrowDown') move(1)
              if (event.key === 'ArrowLeft' || event.key === 'ArrowUp') move(-1)
            }}
            px={{ base: '10px', md: '16px' }}
            minH={{ base: '34px', md: '28px' }}
            fontSize="14px"
            fontWeight="650"
            bg={on ? 'spruce' : 'transparent'}
            color={on ? 'onSpruce' : 'spruce'}
            cursor="pointer"
            _focusVisible={{ outlineOffset: '-3px', outlineColor: on ? 'onSpruce' : 'spruce' }}
          >
            {option.label}
          </Box>
        )
      })}
    </Flex>
  )
}
