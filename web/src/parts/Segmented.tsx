import { SegmentGroup } from '@chakra-ui/react'

type Option<T extends string> = { value: T; label: string }

/** Two or more ways to look, one of them chosen; the arrow keys move focus and choice together. Nothing in the house changes by it. */
export function Segmented<T extends string>(props: {
  label: string
  options: Option<T>[]
  value: T
  onChange: (value: T) => void
}) {
  const { label, options, value, onChange } = props
  return (
    <SegmentGroup.Root
      aria-label={label}
      value={value}
      onValueChange={(change) => change.value && onChange(change.value as T)}
      border="1.5px solid"
      borderColor="spruce"
      borderRadius="4px"
      bg="transparent"
      boxShadow="none"
      overflow="hidden"
      maxW="100%"
      h="auto"
      flexWrap="wrap"
      className="segments"
    >
      {options.map((option) => (
        <SegmentGroup.Item
          key={option.value}
          value={option.value}
          px={{ base: '10px', md: '16px' }}
          h="auto"
          minH={{ base: 'thumb', md: 'press' }}
          fontSize="small"
          fontWeight="650"
          color="spruce"
          cursor="pointer"
          borderRadius="0"
          _before={{ display: 'none' }}
          _checked={{ bg: 'spruce', color: 'onSpruce' }}
          _focusVisible={{ outline: '2px solid', outlineOffset: '-4px', outlineColor: 'currentColor' }}
        >
          <SegmentGroup.ItemText>{option.label}</SegmentGroup.ItemText>
          <SegmentGroup.ItemHiddenInput />
        </SegmentGroup.Item>
      ))}
    </SegmentGroup.Root>
  )
}
