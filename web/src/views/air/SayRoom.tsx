import { Box, Flex, Text } from '@chakra-ui/react'
import { useRef, useState } from 'react'
import { saidRoom } from '../../api/queries'
import type { Action, Room } from '../../api/types'
import { useJob, useTools } from '../../layout/JobContext'
import { Form, Send } from '../../parts/Form'
import { PlainField } from '../../parts/PlainField'
import { Problem } from '../../parts/Problem'

/** A room as whoever walks through the house says it; one after the other, and the field is ready for the next. */
export function SayRoom({ names, drawn }: { names: string[]; drawn: (room: Room) => void }) {
  const { job, side } = useJob()
  const { act } = useTools()
  const [text, setText] = useState('')
  const [problem, setProblem] = useState<string>()
  const [done, setDone] = useState<string>()
  const box = useRef<HTMLDivElement>(null)
  const send = async () => {
    setDone(undefined)
    try {
      const said = await saidRoom(job.id, side, text)
      if (said.problem || !said.draw) return setProblem(said.problem ?? 'That did not work.')
      const refused = await act([{ do: 'draw-room', ...said.draw } as unknown as Action])
      setProblem(refused?.message)
      if (refused) return
      setDone(said.says)
      drawn(said.draw.room)
      setText('')
      box.current?.querySelector('input')?.focus()
    } catch (error) {
      setProblem(error instanceof Error ? error.message : 'That did not work.')
    }
  }
  return (
    <Box ref={box} mb="10px">
      <Form gap="8px" align="end" onSend={send}>
        <PlainField
          label="Say a room: its name, width by depth, beside which one"
          width="420px"
          value={text}
          placeholder="Study 4 by 5 paces, right of the hall"
          options={names}
          onChange={(to) => {
            setText(to)
            setProblem(undefined)
          }}
        />
        <Send>Draw it</Send>
      </Form>
      <Problem mt="4px">{problem}</Problem>
      <Flex gap="8px">
        <Text textStyle="note" mt="4px" role="status">
          {done ??
            'In metres, paces or feet. Right of, left of, behind, in front of, over or under a room that is drawn; on floor 1; outdoors.'}
        </Text>
      </Flex>
    </Box>
  )
}
