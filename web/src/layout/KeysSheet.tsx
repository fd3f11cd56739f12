import { Box, Text } from '@chakra-ui/react'
import { AddressText } from '../parts/AddressText'
import { Sheet } from '../parts/Sheet'

const keys: [string, string][] = [
  ['1 2 3', 'Wants, Stairs, Work order'],
  ['p', 'As found or Planned'],
  ['f', 'the first fix, into the plan'],
  ['z / Z', 'undo / redo'],
  ['/', 'find a box, a thing or an address'],
  ['n', 'a new box'],
  ['t', 'trace the way of the chosen thing to the street'],
  ['w', 'who reaches whom'],
  ['c', 'take the cable of the socket that has the focus; then press where it goes'],
  ['.', 'repeat the last address that was typed'],
  ['Space / x', 'on the work order: seen as said / something else'],
  ['Esc', 'put down what is in the hand, close'],
  ['?', 'this list'],
]

export function KeysSheet({ open, onClose }: { open: boolean; onClose: () => void }) {
  return (
    <Sheet title="Keys" open={open} onClose={onClose}>
      <Box as="dl" display="grid" gridTemplateColumns="100px 1fr" gap="6px 12px">
        {keys.map(([key, what]) => (
          <Box key={key} display="contents">
            <AddressText as="dt" fontWeight="700" color="spruce">
              {key}
            </AddressText>
            <Text as="dd">{what}</Text>
          </Box>
        ))}
      </Box>
      <Text mt="12px" fontSize="13px" color="quiet">
        No key acts while you type in a field.
      </Text>
    </Sheet>
  )
}
