import { Box, Flex, Text } from '@chakra-ui/react'
import { useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import { keptAddresses } from '../../api/queries'
import { useJob, useTools } from '../../layout/JobContext'
import { Choice } from '../../parts/Choice'
import { Press } from '../../parts/Press'
import { count } from '../../parts/words'
import { useMarks } from '../../state/marks'
import { say } from '../../state/notices'
import { connections } from './connections'

/** What can be done with all things that are marked, as one step of undo. */
export function MarkedBar() {
  const { house, job, side } = useJob()
  const { act } = useTools()
  const { marked, clear } = useMarks()
  const [to, setTo] = useState('')
  const things = (house.document.endpoints ?? []).filter((thing) => marked.includes(thing.id))
  const { data } = useQuery(
    keptAddresses(
      job.id,
      side,
      job.version,
      things.map((thing) => thing.id),
    ),
  )
  if (things.length === 0) return null
  const wifis = connections(house, null).filter((one) => one.to && 'ssid' in one.to)
  const goal = wifis.find((one) => one.value === to) ?? wifis[0]
  const kept = data ?? { actions: [], not: [] }
  const all = things.length === 1 ? 'it' : `these ${things.length}`
  const join = async () => {
    const where = goal?.to
    if (!where) return
    const problem = await act(
      things.map((thing) => ({ do: 'connect-endpoint' as const, endpoint: thing.id, to: where })),
      things.length > 1 ? `Put ${count(things.length, 'thing')} on ${goal.label}` : undefined,
    )
    if (problem) say(problem.message, 'problem')
    else clear()
  }
  const reserve = async () => {
    const problem = await act(
      kept.actions,
      kept.actions.length > 1
        ? `Reserve the addresses of ${count(kept.actions.length, 'thing')} as they are`
        : undefined,
    )
    if (problem) return say(problem.message, 'problem')
    clear()
    say(
      `Reserved for ${count(kept.actions.length, 'thing')}.${kept.not.map((one) => ` Not for ${one.thing}: ${one.why}.`).join('')}`,
    )
  }
  return (
    <Box role="group" aria-label="Things that are marked">
      <Flex gap="10px" align="end" wrap="wrap">
        {goal && (
          <>
            <Choice
              label={`Put ${all} on`}
              width="220px"
              value={goal.value}
              options={wifis.map((one) => ({ value: one.value, label: one.label }))}
              onChange={setTo}
            />
            <Press onClick={join}>Join them</Press>
          </>
        )}
        <Press onClick={reserve} disabled={kept.actions.length === 0}>
          Reserve {kept.actions.length > 1 ? 'their addresses' : 'its address'}
        </Press>
        <Press kind="plain" onClick={clear}>
          Mark none
        </Press>
      </Flex>
      {kept.not.length > 0 && (
        <Text textStyle="note" mt="4px">
          No reservation for {kept.not.map((one) => `${one.thing}: ${one.why}`).join('; ')}.
        </Text>
      )}
    </Box>
  )
}
