import { Flex, Text } from '@chakra-ui/react'
import { useState } from 'react'
import { useJob, useTools } from '../../layout/JobContext'
import { usePlace } from '../../layout/usePlace'
import { Choice } from '../../parts/Choice'
import { cardOf, focusOn } from '../../parts/focusOn'
import { PlainField } from '../../parts/PlainField'
import { Press } from '../../parts/Press'
import { Problem } from '../../parts/Problem'
import { Sheet } from '../../parts/Sheet'
import { useBusy } from '../../parts/useBusy'
import { connections } from './connections'
import { boxKinds, freshName, makeBox, makeThing, type NewKind } from './newBox'
import { freshId } from './occupants'

const asksForAddress = ['switch', 'access-point', 'repeater', 'client-bridge', 'mesh-satellite']

/** A new box as it comes out of its carton, or a new thing that uses the network. What can be guessed is proposed; nothing is kept from the last one. */
export function AddBoxSheet({ onClose }: { onClose: () => void }) {
  const { house, selected } = useJob()
  const { act } = useTools()
  const { turn } = usePlace()
  const { run } = useBusy()
  const document_ = house.document
  const all = [...(document_.devices ?? []), ...(document_.endpoints ?? [])]
  const chosen = all.find((one) => one.id === selected)

  const [kind, setKind] = useState<NewKind>('router-ap')
  const [name, setName] = useState<string | null>(null)
  const [room, setRoom] = useState(chosen?.room ?? all[0]?.room ?? '')
  const [address, setAddress] = useState('192.168.1.1')
  const [where, setWhere] = useState<string | null>(null)
  const [problem, setProblem] = useState<string>()

  const rooms = [...new Set(all.flatMap((one) => (one.room ? [one.room] : [])))].sort()
  const proposed = freshName(
    all.map((one) => one.name),
    boxKinds[kind].name,
  )
  const places = connections(house, null)
  const inRoom = new Set((document_.devices ?? []).filter((box) => box.room === room).map((box) => box.id))
  // The first free socket of a box in the room, else the first name on the air.
  const likely =
    places.find((one) => one.to && 'device' in one.to && inRoom.has(one.to.device)) ??
    places.find((one) => one.to && 'ssid' in one.to) ??
    places.find((one) => one.to) ??
    places[0]
  const at = where ?? likely?.value ?? 'none'

  const add = () =>
    run(async () => {
      const label = (name ?? proposed).trim() || proposed
      const id = freshId(document_, kind === 'thing' ? 'thing' : 'box')
      const place = places.find((one) => one.value === at)?.to ?? undefined
      const failed = await act([
        kind === 'thing'
          ? { do: 'add-endpoint', endpoint: makeThing(id, label, room.trim(), place) }
          : { do: 'add-device', device: makeBox(kind, id, label, room.trim(), address.trim()) },
      ])
      setProblem(failed?.message)
      if (failed) return
      turn({ open: null, box: id, tab: null })
      focusOn(cardOf(id))
    })
  return (
    <Sheet
      title="Add a box or a thing"
      open
      onClose={onClose}
      onSubmit={add}
      footer={
        <>
          <Press onClick={onClose}>Leave it</Press>
          <Press kind="main" onClick={add}>
            Add it
          </Press>
        </>
      }
    >
      <Flex direction="column" gap="10px" w="100%">
        <Choice
          label="What is it?"
          width="100%"
          value={kind}
          options={(Object.keys(boxKinds) as NewKind[]).map((value) => ({
            value,
            label: boxKinds[value].say,
          }))}
          onChange={setKind}
        />
        <PlainField label="Name" width="100%" value={name ?? proposed} onChange={setName} />
        <PlainField label="Room" width="100%" value={room} options={rooms} onChange={setRoom} />
        {kind === 'thing' ? (
          <Choice label="Where is it?" width="100%" value={at} options={places} onChange={setWhere} />
        ) : (
          !asksForAddress.includes(kind) && (
            <PlainField
              label="Address on its label"
              width="100%"
              mono
              value={address}
              onChange={setAddress}
            />
          )
        )}
        <Text textStyle="note">
          {kind === 'thing'
            ? 'It asks for its address by itself; change that afterwards.'
            : 'It comes with its default settings and lies on the table: plans may use it so. Press its sockets to lay the cables.'}
        </Text>
        <Problem>{problem}</Problem>
        {/* Enter in any field of a form presses its submit button. */}
        <button type="submit" hidden aria-hidden tabIndex={-1} />
      </Flex>
    </Sheet>
  )
}
