import { Box } from '@chakra-ui/react'

const to = (id: string) => () => document.getElementById(id)?.focus()

/** The first stops of the Tab key: past the top line and the stages to where the work is. */
export function SkipLinks() {
  return (
    <Box className="skip no-print">
      <button type="button" onClick={to('sheet')}>
        To the stage
      </button>
      <Box as="button" hideBelow="md" onClick={to('verdict')}>
        To the verdict
      </Box>
    </Box>
  )
}
