import { Box, Flex, Text } from '@chakra-ui/react'
import { useState } from 'react'
import { measureHere } from '../../api/queries'
import type { Action, MeasureView } from '../../api/types'
import { useJob, useTools } from '../../layout/JobContext'
import { Choice } from '../../parts/Choice'
import { Press } from '../../parts/Press'
import { Problem } from '../../parts/Problem'
import { useEyes } from '../../state/eyes'
import { say } from '../../state/notices'

/** The way from the laptop to the gateway, measured inside the house; on Wi-Fi the level is kept with the room. */
export function MeasureHere() {
  const { job } = useJob()
  const { act } = useTools()
  const adapter = useEyes((eyes) => eyes.adapter[job.id])
  const rooms = job.found.document.rooms ?? []
  const [room, setRoom] = useState(rooms[0]?.id ?? '')
  const [measured, setMeasured] = useState<MeasureView>()
  const [problem, setProblem] = useState<string>()
  const [isBusy, setBusy] = useState(false)
  const measure = async () => {
    setBusy(true)
    setProblem(undefined)
    try {
      setMeasured(await measureHere(job.id, adapter))
    } catch (failed) {
      setMeasured(undefined)
      setProblem((failed as Error).message)
    } finally {
      setBusy(false)
    }
  }
  const level = measured?.speed.link?.isWifi ? measured.speed.link.levelDbm : undefined
  const keep = async () => {
    const failed = await act([
      {
        do: 'note-measured',
        measured: {
          id: `eyes-${room}-${measured?.source ?? 'best'}`,
          room,
          levelDbm: Math.round(level ?? 0),
          ...(measured?.source ? { source: measured.source } : {}),
          method: 'the laptop’s own link',
        },
      } as unknown as Action,
    ])
    setProblem(failed?.message)
    if (!failed) say('The level is noted with the room')
  }
  return (
    <Box mt="10px">
      <Flex gap="8px 12px" wrap="wrap" align="end">
        <Press disabled={isBusy} onClick={measure}>
          Measure to the gateway
        </Press>
        {level != null && rooms.length > 0 && (
          <>
            <Choice
              label="I stand in"
              value={room}
              width="170px"
              options={rooms.map((one) => ({ value: one.id, label: one.name }))}
              onChange={setRoom}
            />
            <Press onClick={keep}>Note {Math.round(level)} dBm here</Press>
          </>
        )}
      </Flex>
      <Text textStyle="note" mt="4px" role="status">
        {isBusy
          ? 'Measuring …'
          : (measured?.says ?? '50 pings and one page, inside the house. Nothing is sent over the line.')}
      </Text>
      {measured?.advice && <Text color="ochre">{measured.advice}</Text>}
      <Problem mt="4px">{problem}</Problem>
    </Box>
  )
}
