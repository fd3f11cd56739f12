import { Box, Portal } from '@chakra-ui/react'
import { useHand } from '../../state/hand'

/** The box that follows the pointer while it is carried. */
export function Carried() {
  const { kind, at } = useHand()
  if (!kind || !at) return null
  return (
    <Portal>
      <Box
        position="fixed"
        left={`${at.x + 10}px`}
        top={`${at.y + 10}px`}
        px="10px"
        py="6px"
        bg="sheet"
        border="2px solid"
        borderColor="spruce"
        borderRadius="3px"
        fontWeight="650"
        pointerEvents="none"
        zIndex="2000"
        aria-hidden
      >
        {kind.label.name}
      </Box>
    </Portal>
  )
}
