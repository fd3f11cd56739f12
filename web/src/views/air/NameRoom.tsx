import { Text } from '@chakra-ui/react'
import { useState } from 'react'
import type { Action, Room } from '../../api/types'
import { useJob, useTools } from '../../layout/JobContext'
import { Form, Send } from '../../parts/Form'
import { idOf } from '../../parts/idOf'
import { PlainField } from '../../parts/PlainField'
import { Press } from '../../parts/Press'
import { Problem } from '../../parts/Problem'
import { Sheet } from '../../parts/Sheet'
import type { Rect } from './sheets'

/** What was just drawn is called something: a room of the list that is not drawn yet, or a new one. */
export function NameRoom(props: { rect: Rect; floor: number; building: string | null; onClose: () => void }) {
  const { rect, floor, building, onClose } = props
  const { house } = useJob()
  const { act } = useTools()
  const [name, setName] = useState('')
  const [problem, setProblem] = useState<string>()
  const rooms = house.document.rooms ?? []
  const waiting = rooms.filter((room) => !room.rect)
  const draw = async (called: string) => {
    if (!called.trim()) return setProblem('Empty. Write what the household calls it.')
    const known = rooms.find((room) => room.name.toLowerCase() === called.trim().toLowerCase())
    const room: Room =
      known ??
      ({
        id: idOf(
          called,
          rooms.map((one) => one.id),
        ),
        name: called.trim(),
      } as Room)
    const refused = await act([
      {
        do: 'draw-room',
        room: {
          ...room,
          floor,
          building: known ? known.building : (building ?? undefined),
          rect: [rect.x, rect.y, rect.width, rect.depth],
        },
      } as unknown as Action,
    ])
    if (refused) setProblem(refused.message)
    else onClose()
  }
  return (
    <Sheet title={`A room of ${rect.width} by ${rect.depth} m`} open onClose={onClose}>
      {waiting.length > 0 && (
        <Text as="div" mb="10px" display="flex" flexWrap="wrap" gap="6px">
          {waiting.map((room) => (
            <Press key={room.id} onClick={() => draw(room.name)}>
              {room.name}
            </Press>
          ))}
        </Text>
      )}
      <Form gap="8px" align="end" onSend={() => draw(name)}>
        <PlainField
          label={waiting.length > 0 ? 'or another room' : 'What the household calls it'}
          value={name}
          onChange={(to) => {
            setName(to)
            setProblem(undefined)
          }}
        />
        <Send kind="main">Draw it</Send>
      </Form>
      <Problem mt="6px">{problem}</Problem>
    </Sheet>
  )
}
