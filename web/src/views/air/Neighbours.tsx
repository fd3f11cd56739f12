import { Box, Flex, Text } from '@chakra-ui/react'
import { useState } from 'react'
import type { NeighbourNetwork } from '../../api/types'
import { useJob } from '../../layout/JobContext'
import { useDescribe } from '../../layout/useDescribe'
import { usePlace } from '../../layout/usePlace'
import { Choice } from '../../parts/Choice'
import { Form, Send } from '../../parts/Form'
import { PlainField } from '../../parts/PlainField'
import { Press } from '../../parts/Press'
import { Problem } from '../../parts/Problem'
import { say } from '../../state/notices'

const bands = ['2.4', '5', '6'] as const

/** Other people's networks: pasted as a scan, or noted by hand. */
export function Neighbours() {
  const { house } = useJob()
  const describe = useDescribe()
  const { turn } = usePlace()
  const [open, setOpen] = useState(false)
  const noted = house.document.neighbours ?? []
  const rooms = house.document.rooms ?? []
  const set = async (neighbours: NeighbourNetwork[]) => {
    const problem = await describe({ neighbours }, 'neighbours')
    if (problem) say(problem, 'problem')
    return problem
  }
  return (
    <Box mt="10px">
      <Press kind="plain" aria-expanded={open} onClick={() => setOpen(!open)}>
        {noted.length === 0 ? 'Note the neighbours’ networks' : `Neighbours: ${noted.length} noted`}
      </Press>
      {open && (
        <Box>
          <Flex gap="4px 10px" align="baseline" wrap="wrap">
            <Press onClick={() => turn({ open: 'paste' })}>Paste a scan</Press>
            <Text textStyle="note">
              of a laptop or a phone: it is read, and taken with one press. Or one by one:
            </Text>
          </Flex>
          <Box as="ul" listStyleType="none">
            {noted.map((one, i) => (
              <Flex
                as="li"
                key={`${one.ssid} ${one.band} ${one.channel} ${one.room} ${one.levelDbm}`}
                gap="10px"
                align="baseline"
                wrap="wrap"
              >
                <Text textStyle="small" fontFamily="mono">
                  {one.ssid ?? 'a hidden network'}
                </Text>
                <Text textStyle="small">
                  {one.band} GHz, channel {one.channel ?? 'unknown'}
                  {one.widthMHz ? `, ${one.widthMHz} MHz` : ''}
                  {one.levelDbm != null ? `, ${one.levelDbm} dBm` : ''}
                  {one.room ? ` in ${rooms.find((room) => room.id === one.room)?.name ?? one.room}` : ''}
                </Text>
                <Press
                  kind="plain"
                  aria-label={`Remove ${one.ssid ?? 'the hidden network'} on channel ${one.channel}`}
                  onClick={() => set(noted.filter((_, place) => place !== i))}
                >
                  remove
                </Press>
              </Flex>
            ))}
          </Box>
          <NewNeighbour
            add={(one) => set([...noted, one])}
            rooms={rooms.map((room) => ({ value: room.id, label: room.name }))}
          />
        </Box>
      )}
    </Box>
  )
}

function NewNeighbour(props: {
  add: (one: NeighbourNetwork) => Promise<string | undefined>
  rooms: { value: string; label: string }[]
}) {
  const { add, rooms } = props
  const [ssid, setSsid] = useState('')
  const [band, setBand] = useState<(typeof bands)[number]>('2.4')
  const [channel, setChannel] = useState('')
  const [level, setLevel] = useState('')
  const [room, setRoom] = useState(rooms[0]?.value ?? '')
  const [problem, setProblem] = useState<string>()
  const send = async () => {
    const number = Number(channel)
    if (!Number.isInteger(number) || number < 1)
      return setProblem(`Channel: “${channel}” is no channel. Write its number, such as 6.`)
    const dbm = level.trim() === '' ? undefined : -Math.abs(Number(level))
    if (dbm !== undefined && Number.isNaN(dbm))
      return setProblem(`Level: “${level}” is no level. Write dBm, such as -71.`)
    const failed = await add({
      ssid: ssid.trim() || undefined,
      band,
      channel: number,
      levelDbm: dbm,
      room: room || undefined,
    } as NeighbourNetwork)
    setProblem(failed)
    if (!failed) {
      setSsid('')
      setChannel('')
      setLevel('')
    }
  }
  return (
    <Form gap="8px" align="end" mt="6px" onSend={send}>
      <PlainField label="Name" width="130px" mono value={ssid} onChange={setSsid} />
      <Choice
        label="Band"
        width="90px"
        value={band}
        options={bands.map((value) => ({ value, label: `${value} GHz` }))}
        onChange={setBand}
      />
      <PlainField label="Channel" width="80px" mono kind="number" value={channel} onChange={setChannel} />
      <PlainField label="Level, dBm" width="90px" mono value={level} onChange={setLevel} />
      {rooms.length > 0 && (
        <Choice label="Heard in" width="130px" value={room} options={rooms} onChange={setRoom} />
      )}
      <Send>Note it</Send>
      <Problem flexBasis="100%">{problem}</Problem>
    </Form>
  )
}
