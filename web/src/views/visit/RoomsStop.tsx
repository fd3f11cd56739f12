import { Box, Flex, Heading, Text } from '@chakra-ui/react'
import { useState } from 'react'
import type { CableRun, OtherBuilding, Room, Walk } from '../../api/types'
import { wallWords } from '../../features/air/Materials'
import { useSettings } from '../../features/box/useSettings'
import { useJob } from '../../layout/JobContext'
import { useDescribe } from '../../layout/useDescribe'
import { Choice, DraftChoice } from '../../parts/Choice'
import { DraftField } from '../../parts/DraftField'
import { Form, Send } from '../../parts/Form'
import { idOf } from '../../parts/idOf'
import { nextRow } from '../../parts/nextRow'
import { numberIn } from '../../parts/numberIn'
import { Press } from '../../parts/Press'
import { Problem } from '../../parts/Problem'
import { Toggle } from '../../parts/Toggle'
import { NewRoom } from './NewRoom'

const media = [
  { value: 'ethernet', label: 'a data cable' },
  { value: 'powerline', label: 'one mains circuit' },
  { value: 'coax', label: 'an aerial cable' },
] as const

/** Rooms, and what joins them: which cables are laid or could be. */
export function RoomsStop({ heard }: { heard: Walk['heard'] }) {
  const { house } = useJob()
  const { attempt } = useSettings()
  const document_ = house.document
  const rooms = document_.rooms ?? []
  const runs = document_.runs ?? []
  const describe = useDescribe()
  const setRoom = (id: string, change: Partial<Room>) =>
    describe({ rooms: rooms.map((room) => (room.id === id ? { ...room, ...change } : room)) })
  const setRun = (id: string, change: Partial<CableRun>) =>
    describe({ runs: runs.map((run) => (run.id === id ? { ...run, ...change } : run)) })
  const buildings = document_.buildings ?? []
  /** A building that is named is listed, so that it can be said how far it is. */
  const setBuilding = (room: Room, text: string) => {
    const building = text.trim() === '' ? undefined : idOf(text, [])
    const after = rooms.map((one) => (one.id === room.id ? { ...one, building } : one))
    const named = [...new Set(after.flatMap((one) => (one.building ? [one.building] : [])))]
    return describe({
      rooms: after,
      buildings: named.map((id) => buildings.find((one) => one.id === id) ?? { id }),
    })
  }
  const setOther = (id: string, change: Partial<OtherBuilding>) =>
    describe(
      { buildings: buildings.map((one) => (one.id === id ? { ...one, ...change } : one)) },
      'buildings',
    )
  const measuredIn = (room: Room) =>
    (document_.measured ?? []).filter((one) => one.room === room.id || one.room === room.name).at(-1)
  const noteMeasured = (room: Room, text: string) => {
    const now = measuredIn(room)
    if (text === '' && now) return attempt([{ do: 'forget-measured', id: now.id }])
    const mbps = numberIn(text)
    if (Number.isNaN(mbps)) return Promise.resolve(`“${text}” is no rate. Write Mb/s, such as 38.`)
    const at = new Date().toISOString().slice(0, 10)
    return attempt(
      [
        {
          do: 'note-measured',
          measured: { id: now?.id ?? `in-${room.id}`, room: room.id, device: now?.device, mbps, at },
        },
      ],
      'measured.mbps',
    )
  }
  const nameOf = (word: string) => rooms.find((room) => room.id === word)?.name ?? word
  return (
    <Box>
      <Text textStyle="small" color="quiet" mb="8px">
        Where boxes stand, and between which rooms a cable is laid or could be. Look for sockets in the walls.
      </Text>
      <DraftField
        label="Country, two letters"
        width="150px"
        mono
        value={document_.country ?? ''}
        placeholder="GB"
        commit={(country) => describe({ country: country.toUpperCase() || undefined }, 'country')}
      />
      <Heading as="h4" fontSize="text" mt="12px" mb="4px">
        Rooms
      </Heading>
      <Box as="ul" listStyleType="none" data-rooms>
        {rooms.map((room) => (
          <Flex
            as="li"
            key={room.id}
            gap="4px 10px"
            wrap="wrap"
            align="end"
            py="4px"
            borderBottom="1px solid"
            borderColor="hairline"
          >
            <DraftField
              label="Room"
              name={`Room ${room.id}`}
              goOn={nextRow}
              width="150px"
              value={room.name}
              commit={(name) => setRoom(room.id, { name })}
            />
            <DraftField
              label="Floor"
              name={`Floor ${room.id}`}
              goOn={nextRow}
              width="64px"
              mono
              kind="number"
              value={String(room.floor ?? 0)}
              commit={(text) =>
                Number.isInteger(Number(text))
                  ? setRoom(room.id, { floor: Number(text) })
                  : Promise.resolve(
                      `“${text}” is no floor. Write 0 for the ground floor, 1 for the one above.`,
                    )
              }
            />
            <DraftField
              label="Other building"
              name={`Other building ${room.id}`}
              goOn={nextRow}
              width="120px"
              value={room.building ?? ''}
              placeholder="this house"
              commit={(text) => setBuilding(room, text)}
            />
            <DraftField
              label="Mb/s today"
              name={`Mb/s today ${room.id}`}
              goOn={nextRow}
              width="90px"
              mono
              kind="number"
              value={String(measuredIn(room)?.mbps ?? '')}
              placeholder="best of 3"
              commit={(text) => noteMeasured(room, text)}
            />
            <Toggle
              label="no Wi-Fi here"
              on={room.noWifi === true}
              set={(on) => setRoom(room.id, { noWifi: on || undefined })}
            />
            <Toggle
              label="outdoors"
              on={room.outdoor === true}
              set={(on) => setRoom(room.id, { outdoor: on || undefined })}
            />
            <Press
              kind="plain"
              aria-label={`Remove room ${room.name}`}
              onClick={() => describe({ rooms: rooms.filter((one) => one !== room) })}
            >
              remove
            </Press>
            <Text textStyle="note" flexBasis="100%">
              {heard.find((one) => one.room === room.id)?.says}
            </Text>
          </Flex>
        ))}
      </Box>
      <NewRoom
        rooms={rooms}
        add={(more) => describe({ rooms: [...rooms, ...more] })}
        boxes={document_.devices ?? []}
      />
      {buildings.length > 0 && (
        <Heading as="h4" fontSize="text" mt="16px" mb="4px">
          Other buildings
        </Heading>
      )}
      {buildings.map((other) => (
        <Flex key={other.id} gap="4px 10px" wrap="wrap" align="end" py="4px">
          <Text minW="120px" pb="6px">
            {other.id}
          </Text>
          <DraftField
            label="Metres, wall to wall"
            name={`Metres to ${other.id}`}
            width="150px"
            mono
            kind="number"
            value={other.distanceM == null ? '' : String(other.distanceM)}
            placeholder="counted as 20"
            commit={(text) => {
              const metres = numberIn(text)
              if (text !== '' && !(metres >= 0))
                return Promise.resolve(`“${text}” is no distance. Write metres, such as 25.`)
              return setOther(other.id, { distanceM: text === '' ? undefined : metres })
            }}
          />
          <DraftChoice
            label="Its outer walls"
            width="150px"
            value={other.walls ?? ''}
            options={[{ value: '', label: 'as this house' }, ...wallWords]}
            commit={(walls) =>
              void setOther(other.id, { walls: (walls || undefined) as OtherBuilding['walls'] })
            }
          />
        </Flex>
      ))}
      <Heading as="h4" fontSize="text" mt="16px" mb="4px">
        Between rooms
      </Heading>
      {runs.length === 0 && (
        <Text textStyle="small">Nothing noted: plans lay no cable from room to room.</Text>
      )}
      <Box as="ul" listStyleType="none">
        {runs.map((run) => (
          <Flex
            as="li"
            key={run.id}
            gap="4px 12px"
            wrap="wrap"
            align="center"
            py="4px"
            borderBottom="1px solid"
            borderColor="hairline"
          >
            <Text minW="200px">
              {nameOf(run.a)} to {nameOf(run.b)}:{' '}
              {media.find((one) => one.value === (run.medium ?? 'ethernet'))?.label}
            </Text>
            <Toggle label="is laid" on={run.laid === true} set={(on) => setRun(run.id, { laid: on })} />
            <DraftField
              label="Metres"
              width="80px"
              mono
              kind="number"
              value={run.lengthM == null ? '' : String(run.lengthM)}
              commit={(text) => setRun(run.id, { lengthM: text === '' ? undefined : Number(text) })}
            />
            <Press
              kind="plain"
              aria-label={`Remove ${nameOf(run.a)} to ${nameOf(run.b)}`}
              onClick={() => describe({ runs: runs.filter((one) => one !== run) })}
            >
              remove
            </Press>
          </Flex>
        ))}
      </Box>
      {rooms.length > 1 && (
        <NewRun rooms={rooms} runs={runs} add={(run) => describe({ runs: [...runs, run] })} />
      )}
    </Box>
  )
}

function NewRun(props: {
  rooms: Room[]
  runs: CableRun[]
  add: (run: CableRun) => Promise<string | undefined>
}) {
  const { rooms, runs, add } = props
  const [a, setA] = useState(rooms[0].id)
  const [b, setB] = useState(rooms[1].id)
  const [medium, setMedium] = useState<(typeof media)[number]['value']>('ethernet')
  const [laid, setLaid] = useState('laid')
  const [problem, setProblem] = useState<string>()
  const options = rooms.map((room) => ({ value: room.id, label: room.name }))
  const send = async () => {
    if (a === b) return setProblem('Choose two rooms.')
    const taken = runs.map((run) => run.id)
    setProblem(await add({ id: idOf(`${a}-${b}`, taken), a, b, medium, laid: laid === 'laid' } as CableRun))
  }
  return (
    <Form gap="8px" align="end" mt="6px" onSend={send}>
      <Choice label="From" width="130px" value={a} options={options} onChange={setA} />
      <Choice label="to" width="130px" value={b} options={options} onChange={setB} />
      <Choice label="by" width="160px" value={medium} options={[...media]} onChange={setMedium} />
      <Choice
        label="it"
        width="150px"
        value={laid}
        options={[
          { value: 'laid', label: 'is laid' },
          { value: 'could', label: 'could be laid' },
        ]}
        onChange={setLaid}
      />
      <Send>Note it</Send>
      <Problem flexBasis="100%">{problem}</Problem>
    </Form>
  )
}
