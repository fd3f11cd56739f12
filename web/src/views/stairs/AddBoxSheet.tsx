import { Flex, Text } from '@chakra-ui/react'
import { useState } from 'react'
import { useJob, useTools } from '../../layout/JobContext'
import { Choice } from '../../parts/Choice'
import { PlainField } from '../../parts/PlainField'
import { Press } from '../../parts/Press'
import { Sheet } from '../../parts/Sheet'
import { connections } from './connections'
import { boxKinds, makeBox, makeThing, type NewKind } from './newBox'
import { freshId } from './occupants'

/** A new box as it comes out of its carton, or a new thing that uses the network. */
export function AddBoxSheet({ open, onClose }: { open: boolean; onClose: () => void }) {
  const { house } = useJob()
  const { act, select } = useTools()
  const [kind, setKind] = useState<NewKind>('router-ap')
  const [name, setName] = useState('')
  const [room, setRoom] = useState('')
  const [address, setAddress] = useState('192.168.1.1')
  const [where, setWhere] = useState('none')
  const [problem, setProblem] = useState<string>()
  const places = connections(house, null)

  const add = async () => {
    const label = name.trim() || boxKinds[kind].name
    const id = freshId(house.document, kind === 'thing' ? 'thing' : 'box')
    const place = places.find((one) => one.value === where)?.to ?? undefined
    const failed = await act([
      kind === 'thing'
        ? { do: 'add-endpoint', endpoint: makeThing(id, label, room.trim(), place) }
        : { do: 'add-device', device: makeBox(kind, id, label, room.trim(), address.trim()) },
    ])
    setProblem(failed?.message)
    if (failed) return
    setName('')
    onClose()
    select(id)
  }
  return (
    <Sheet
      title="Add a box or a thing"
      open={open}
      onClose={onClose}
      footer={
        <>
          <Press onClick={onClose}>Leave it</Press>
          <Press kind="main" onClick={add}>
            Add it
          </Press>
        </>
      }
    >
      <Flex direction="column" gap="10px">
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
        <PlainField label="Name" width="100%" value={name} onChange={setName} />
        <PlainField label="Room" width="100%" value={room} onChange={setRoom} />
        {kind === 'thing' ? (
          <Choice label="Where is it?" width="100%" value={where} options={places} onChange={setWhere} />
        ) : (
          !['switch', 'access-point', 'repeater', 'client-bridge', 'mesh-satellite'].includes(kind) && (
            <PlainField
              label="Address on its label"
              width="100%"
              mono
              value={address}
              onChange={setAddress}
            />
          )
        )}
        <Text fontSize="13px" color="quiet">
          {kind === 'thing'
            ? 'It asks for its address by itself; change that afterwards.'
            : 'It comes with its default settings. Press its sockets to lay the cables.'}
        </Text>
        {problem && (
          <Text role="alert" color="brick">
            {problem}
          </Text>
        )}
      </Flex>
    </Sheet>
  )
}
