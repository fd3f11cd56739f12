import { Box, Flex, Text } from '@chakra-ui/react'
import { useQueryClient } from '@tanstack/react-query'
import { takeBackTurn } from '../../api/queries'
import type { TurnView } from '../../api/types'
import { useJob } from '../../layout/JobContext'
import { Press } from '../../parts/Press'
import { count } from '../../parts/words'
import { say } from '../../state/notices'

const when = (at: string) =>
  new Date(at).toLocaleString('en-GB', { day: 'numeric', month: 'short', hour: '2-digit', minute: '2-digit' })

/** Where something else was seen, and what had been done by then. The last of them can be taken back. */
export function Turns({ turns }: { turns: TurnView[] }) {
  const { job } = useJob()
  const queries = useQueryClient()
  if (turns.length === 0) return null
  const takeBack = async (number: number) => {
    try {
      await takeBackTurn(job.id, number)
      say('Taken back: the order is the one from before.')
    } catch (refused) {
      say(refused instanceof Error ? refused.message : 'That did not work.', 'problem')
    }
    await queries.invalidateQueries({ queryKey: ['job', job.id, 'work-order'] })
  }
  return (
    <Box
      as="ol"
      listStyleType="none"
      aria-label="Where something else was seen"
      mt="8px"
      className="no-print"
    >
      {turns.map((turn, index) => (
        <Box
          as="li"
          key={turn.number}
          pl="12px"
          py="6px"
          borderLeft="3px dashed"
          borderColor="ochre"
          fontSize="small"
          maxW="880px"
        >
          <Text>
            <b>{when(turn.at)}</b>: at “{turn.stepTitle}” something else was seen. {turn.sentence} The order
            goes on from there.
          </Text>
          <Flex gap="4px 12px" wrap="wrap" align="baseline">
            {turn.done.length > 0 && (
              <Box as="details">
                <Box as="summary" cursor="pointer" color="quiet">
                  {count(turn.done.length, 'step')} done before
                </Box>
                <Box as="ul" pl="18px" listStyleType="disc">
                  {turn.done.map((one, i) => (
                    <li key={`${one.title} ${i}`}>
                      {one.title}
                      {one.outcome === 'something-else' ? ' (something else was seen)' : ''}
                      {one.note ? `: ${one.note}` : ''}
                    </li>
                  ))}
                </Box>
              </Box>
            )}
            {index === turns.length - 1 && (
              <Press kind="plain" onClick={() => takeBack(turn.number)}>
                take it back
              </Press>
            )}
          </Flex>
        </Box>
      ))}
    </Box>
  )
}
