import { useState } from 'react'
import type { House, Room } from '../../api/types'
import { Form, Send } from '../../parts/Form'
import { focusOn } from '../../parts/focusOn'
import { PlainField } from '../../parts/PlainField'
import { Press } from '../../parts/Press'
import { Problem } from '../../parts/Problem'
import { roomWords } from '../../parts/roomWords'
import { count } from '../../parts/words'
import { newRooms } from './newRooms'

/** Further rooms: by name, several at once, or those that boxes were said to stand in. */
export function NewRoom(props: {
  rooms: Room[]
  boxes: NonNullable<House['devices']>
  add: (rooms: Room[]) => Promise<string | undefined>
}) {
  const { rooms, boxes, add } = props
  const [name, setName] = useState('')
  const [floor, setFloor] = useState('0')
  const [problem, setProblem] = useState<string>()
  const known = rooms.flatMap((room) => [room.id.toLowerCase(), room.name.toLowerCase()])
  // Those that are no listed room yet.
  const said = roomWords(boxes).filter((word) => !known.includes(word.toLowerCase()))
  const note = async (text: string) => {
    const more = newRooms(text, floor, rooms)
    if (typeof more === 'string') return setProblem(more)
    const failed = await add(more)
    setProblem(failed)
    if (!failed) setName('')
    return !failed
  }
  return (
    <Form gap="8px" align="end" mt="6px" onSend={() => note(name)}>
      <PlainField label="Another room" width="170px" value={name} options={said} onChange={setName} />
      <PlainField label="Floor" width="64px" mono kind="number" value={floor} onChange={setFloor} />
      <Send>Add the room</Send>
      {said.length > 1 && (
        <Press
          onClick={async () => {
            // Each has more to be said of it.
            if (await note(said.join(', '))) focusOn('[data-rooms] input')
          }}
        >
          Note the {count(said.length, 'room')} that boxes stand in
        </Press>
      )}
      <Problem flexBasis="100%">{problem}</Problem>
    </Form>
  )
}
