import { Flex, Text } from '@chakra-ui/react'
import { useState } from 'react'
import { moveSubnet } from '../../api/queries'
import type { Ruler, SubnetMove } from '../../api/types'
import { useJob, useTools } from '../../layout/JobContext'
import { Form, Send } from '../../parts/Form'
import { PlainField } from '../../parts/PlainField'
import { Press } from '../../parts/Press'
import { Problem } from '../../parts/Problem'
import { count } from '../../parts/words'

/** The subnet goes elsewhere with all that is in it: looked at first, then done in one press. */
export function MoveSubnet({ ruler, onClose }: { ruler: Ruler; onClose: () => void }) {
  const { job, side } = useJob()
  const { act } = useTools()
  const [to, setTo] = useState('')
  const [move, setMove] = useState<SubnetMove>()
  const [problem, setProblem] = useState<string>()
  const look = async () => {
    try {
      setMove(await moveSubnet(job.id, side, ruler.segment, ruler.prefix, to.trim()))
      setProblem(undefined)
    } catch (failed) {
      setMove(undefined)
      setProblem((failed as Error).message)
    }
  }
  return (
    <Form gap="8px" align="end" mt="8px" onSend={look}>
      <PlainField
        label={`Move ${ruler.prefix} to`}
        width="200px"
        mono
        kind="address"
        placeholder="192.168.77.0"
        value={to}
        onChange={(text) => {
          setTo(text)
          setMove(undefined)
        }}
      />
      <Send>See what that means</Send>
      <Press kind="plain" onClick={onClose}>
        leave it
      </Press>
      <Problem flexBasis="100%">{problem}</Problem>
      {move && (
        <Flex direction="column" gap="6px" flexBasis="100%" align="start">
          {move.clash && (
            <Text color="brick" fontWeight="650">
              {move.clash}
            </Text>
          )}
          <Text>
            {count(move.actions.length, 'setting')} from {move.from} to {move.to}.{' '}
            {move.touches.length === 0
              ? 'Nothing fixed is in it: nobody has to be touched.'
              : `To be touched, for they are fixed: ${move.touches.join(', ')}.`}
          </Text>
          <Press
            kind="main"
            onClick={async () => {
              const failed = await act(move.actions, `Move ${move.from} to ${move.to}`)
              setProblem(failed?.message)
              if (!failed) onClose()
            }}
          >
            Move it
          </Press>
        </Flex>
      )}
    </Form>
  )
}
