import { Box, Heading, Text } from '@chakra-ui/react'
import { type ReactNode, useState } from 'react'
import { CopyButton } from '../../parts/CopyButton'
import { Press } from '../../parts/Press'
import { useNarrow } from '../../parts/useNarrow'
import { CauseList } from './CauseList'
import { SeenList } from './SeenList'
import { groupsOf, useDiagnosis } from './useDiagnosis'

/** What was seen and what it may be, beside the look; while nothing is looked for, something else. */
export function FaultAside({ otherwise }: { otherwise: ReactNode }) {
  const { data } = useDiagnosis()
  const isNarrow = useNarrow()
  return data?.found && !isNarrow ? (
    <Box p="16px">
      <FoundSoFar />
    </Box>
  ) : (
    otherwise
  )
}

/** The same on a phone, under the look. */
export function FoundSoFar() {
  const { data, takeOut, end } = useDiagnosis()
  const [open, setOpen] = useState<number | null>(null)
  if (!data?.found) return null
  const { found } = data
  return (
    <>
      <CauseList
        found={found}
        seen={data.seen.map((one) => one.says)}
        open={open}
        onOpen={setOpen}
        onMended={(cause) => {
          setOpen(null)
          return end(cause)
        }}
      />
      {found.forProvider && <ForProvider text={found.forProvider} />}
      <Box mt="20px">
        <SeenList groups={groupsOf(data)} onTakeOut={takeOut} />
      </Box>
      <Press mt="12px" kind="plain" onClick={() => end(null)}>
        Stop here: it was not found
      </Press>
    </>
  )
}

function ForProvider({ text }: { text: string }) {
  return (
    <Box as="section" mt="16px" aria-label="For the provider">
      <Heading as="h3" textStyle="section">
        To tell the provider
      </Heading>
      <Text whiteSpace="pre-wrap" fontSize="small" mt="4px" p="10px" bg="paper" borderRadius="4px">
        {text}
      </Text>
      <Box mt="6px">
        <CopyButton value={text} what="what to tell the provider" said="Copied." />
      </Box>
    </Box>
  )
}
