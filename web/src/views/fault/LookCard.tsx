import { Box, Flex, Heading, Text } from '@chakra-ui/react'
import { useState } from 'react'
import type { LookView, SeenEntry } from '../../api/types'
import { Press } from '../../parts/Press'
import { minutesOf } from './minutes'
import { OtherAnswer } from './OtherAnswer'

/** One look, large: what to do, and what may be seen, each with what it would leave. */
export function LookCard(props: {
  look: LookView
  head: string
  onSeen: (seen: SeenEntry[]) => Promise<boolean>
  onAside?: () => unknown
}) {
  const { look } = props
  const [isOther, setOther] = useState(false)
  return (
    <Box
      as="section"
      aria-label={props.head}
      p="16px"
      border="1.5px solid"
      borderColor="spruce"
      borderRadius="4px"
      bg="sheet"
      data-look={look.key}
    >
      <Flex justify="space-between" gap="12px" align="baseline">
        <Text fontSize="small" color="quiet">
          {props.head}
        </Text>
        <Text fontSize="small" color="quiet" flex="none">
          {minutesOf(look.minutes)}
        </Text>
      </Flex>
      <Heading as="h3" fontSize={{ base: '19px', md: '22px' }} mt="4px" tabIndex={-1} data-look-head>
        {look.do}
      </Heading>
      <Flex direction="column" gap="8px" mt="14px" align="stretch" maxW="560px">
        {look.answers.map((answer) => (
          <Press
            key={JSON.stringify(answer.seen)}
            minH="48px"
            justifyContent="space-between"
            display="flex"
            gap="12px"
            textAlign="left"
            alignItems="center"
            onClick={() => props.onSeen(answer.seen as SeenEntry[])}
            data-answer
          >
            <span>{words(answer.says)}</span>
            <Text as="span" fontSize="small" color="quiet" fontWeight="400" flex="none">
              {answer.left === 0 ? 'then it is not this' : `${answer.left} left`}
            </Text>
          </Press>
        ))}
      </Flex>
      <Flex mt="12px" gap="16px" wrap="wrap">
        <Press kind="plain" aria-expanded={isOther} onClick={() => setOther(!isOther)}>
          It shows something else …
        </Press>
        {props.onAside && (
          <Press kind="plain" onClick={props.onAside}>
            I cannot check that
          </Press>
        )}
      </Flex>
      {isOther && (
        <OtherAnswer
          look={look}
          onSeen={async (seen) => {
            const kept = await props.onSeen(seen)
            if (kept) setOther(false)
            return kept
          }}
        />
      )}
    </Box>
  )
}

const words = (says: string) => (says === 'yes' ? 'Yes' : says === 'no' ? 'No' : says)
