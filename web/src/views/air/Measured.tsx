import { Box, Flex, Heading, Text } from '@chakra-ui/react'
import { useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import { wallCorrection } from '../../api/queries'
import type { Action, AirView, Building } from '../../api/types'
import { useSettings } from '../../features/box/useSettings'
import { useJob, useTools } from '../../layout/JobContext'
import { useDescribe } from '../../layout/useDescribe'
import { Choice } from '../../parts/Choice'
import { Form, Send } from '../../parts/Form'
import { numberIn } from '../../parts/numberIn'
import { PlainField } from '../../parts/PlainField'
import { Press } from '../../parts/Press'
import { Problem } from '../../parts/Problem'
import { nameOf } from '../../parts/words'
import { say } from '../../state/notices'
import { rate } from './sheets'

/** What was measured beside what is reckoned, and what the two say of the walls. */
export function Measured({ view }: { view: AirView }) {
  const { job, side, house } = useJob()
  const { orSay } = useSettings()
  const describe = useDescribe()
  const { data } = useQuery(wallCorrection(job.id, side, job.version))
  if (view.rooms.length === 0) return null
  const roomName = (id: string) => view.rooms.find((room) => room.id === id)?.name ?? id
  const takeBack = async () => {
    const problem = await describe({
      building: { ...house.document.building, offsetDb: undefined } as Building,
    })
    if (problem) say(problem, 'problem')
  }
  const signed = (db: number) => `${db > 0 ? '+' : db < 0 ? '−' : ''}${Math.abs(db)} dB`
  return (
    <Box as="section" aria-label="Measured" mt="22px">
      <Heading as="h3" textStyle="section" mb="2px">
        Measured
      </Heading>
      <Text textStyle="small" color="quiet">
        Join in the weak room, measure 20 MB or 30 seconds, the best of three. It is set beside the estimate,
        and the walls learn from it.
      </Text>
      <Box as="ul" listStyleType="none" mt="4px">
        {data?.measured.map((one) => (
          <Flex
            as="li"
            key={one.id}
            gap="2px 12px"
            wrap="wrap"
            align="baseline"
            py="5px"
            borderBottom="1px solid"
            borderColor="hairline"
          >
            <Text fontWeight="650" minW="120px">
              {roomName(one.room)}
            </Text>
            <Text fontFamily="mono">
              {one.mbps != null ? `${rate(one.mbps)} Mb/s` : `${one.levelDbm} dBm`}
              <Text as="span" textStyle="note">
                {' '}
                measured,{' '}
                {one.mbps != null
                  ? one.estimatedMbps == null
                    ? 'nothing reckoned'
                    : `${rate(one.estimatedMbps)} reckoned`
                  : one.estimatedDbm == null
                    ? 'nothing reckoned'
                    : `${one.estimatedDbm} reckoned`}
              </Text>
            </Text>
            <Text textStyle="small" flex="1 1 220px">
              {one.source && `From ${nameOf(house.document, one.source)}. `}
              {one.says}
            </Text>
            <Press
              kind="plain"
              aria-label={`Take back what was measured in ${roomName(one.room)}`}
              onClick={() => orSay({ do: 'forget-measured', id: one.id } as unknown as Action)}
            >
              take back
            </Press>
          </Flex>
        ))}
      </Box>
      {data && data.learntDb != null && data.actions.length > 0 && (
        <Flex mt="8px" gap="8px" align="baseline" wrap="wrap">
          <Press kind="main" onClick={() => orSay(...(data.actions as Action[]))}>
            Correct the walls by {signed(data.learntDb - data.nowDb)}
          </Press>
          <Text textStyle="note">
            {data.counted === 1 ? 'One measurement says' : `${data.counted} measurements say`} that between
            rooms {data.learntDb > data.nowDb ? 'more' : 'less'} is lost than reckoned. At most 10 dB either
            way.
          </Text>
        </Flex>
      )}
      {view.offsetDb !== 0 && (
        <Flex mt="6px" gap="8px" align="baseline" wrap="wrap">
          <Text textStyle="small">Walls are corrected by {signed(view.offsetDb)}.</Text>
          <Press kind="plain" onClick={takeBack}>
            take the correction back
          </Press>
        </Flex>
      )}
      <NoteOne view={view} />
    </Box>
  )
}

function NoteOne({ view }: { view: AirView }) {
  const { house } = useJob()
  const { act } = useTools()
  const [room, setRoom] = useState(view.rooms[0].id)
  const [value, setValue] = useState('')
  const [unit, setUnit] = useState<'mbps' | 'dbm'>('mbps')
  const [source, setSource] = useState('')
  const [problem, setProblem] = useState<string>()
  const senders = view.standers.filter((one) => one.kind === 'sends')
  const send = async () => {
    const number = numberIn(value)
    if (Number.isNaN(number))
      return setProblem(`Measured: “${value}” is no number. Write Mb/s, such as 38, or dBm, such as -71.`)
    const taken = new Set((house.document.measured ?? []).map((one) => one.id))
    let id = `in-${room}`
    for (let n = 2; taken.has(id); n++) id = `in-${room}-${n}`
    const refused = await act([
      {
        do: 'note-measured',
        measured: {
          id,
          room,
          source: source || undefined,
          ...(unit === 'mbps'
            ? { mbps: number, method: 'download, best of three', runs: 3 }
            : { levelDbm: -Math.abs(number) }),
          at: new Date().toISOString().slice(0, 10),
        },
      } as unknown as Action,
    ])
    setProblem(refused?.message)
    if (!refused) setValue('')
  }
  return (
    <Form gap="8px" align="end" mt="8px" onSend={send}>
      <Choice
        label="Measured in"
        width="140px"
        value={room}
        options={view.rooms.map((one) => ({ value: one.id, label: one.name }))}
        onChange={setRoom}
      />
      <PlainField label="It was" width="80px" mono value={value} onChange={setValue} />
      <Choice
        label="in"
        width="90px"
        value={unit}
        options={[
          { value: 'mbps', label: 'Mb/s' },
          { value: 'dbm', label: 'dBm' },
        ]}
        onChange={setUnit}
      />
      <Choice
        label="joined to"
        width="190px"
        value={source}
        options={[
          { value: '', label: 'whoever is best there' },
          ...senders.map((one) => ({ value: one.id, label: one.name })),
        ]}
        onChange={setSource}
      />
      <Send>Note it</Send>
      <Problem flexBasis="100%">{problem}</Problem>
    </Form>
  )
}
