import { Box, Flex, Text } from '@chakra-ui/react'
import { useQuery } from '@tanstack/react-query'
import { useEffect } from 'react'
import { type Asked, eyes as eyesQuery } from '../../api/queries'
import type { WorkStep } from '../../api/types'
import { useJob } from '../../layout/JobContext'
import { PlainField } from '../../parts/PlainField'
import { Press } from '../../parts/Press'
import { Problem } from '../../parts/Problem'
import { Tick } from '../../parts/Tick'
import { Toggle } from '../../parts/Toggle'
import { WhichAdapter } from '../../parts/WhichAdapter'
import { useEyes } from '../../state/eyes'
import { inHand } from '../../state/way'
import { ComparedRows } from './ComparedRows'
import { useWatching } from './useWatching'

const color = {
  'as-said': 'moss',
  otherwise: 'brick',
  waiting: 'ochre',
  'not-yet': 'quiet',
  'not-for-eyes': 'quiet',
}

/** While a step is open the laptop looks for what it names, and says what it sees. */
export function Watching(props: {
  step: WorkStep
  asked: Asked
  onSeen: (seen: string) => unknown
  onOther: () => void
}) {
  const { step, asked } = props
  const { job } = useJob()
  const { data: state } = useQuery(eyesQuery)
  const isOn = useEyes((eyes) => eyes.watched[job.id]) === true
  const ticks = useEyes((eyes) => eyes.ticks[job.id]) === true
  const set = useEyes((eyes) => eyes.set)
  const outside = useEyes((eyes) => eyes.outside[job.id]) ?? ''
  const { error, log, isActed, act } = useWatching(job.id, step, asked, isOn && !!state?.says)
  const seen = log.settled
  const isAllThere = seen?.step.how === 'as-said' && seen.step.isWhole
  const { onSeen } = props
  useEffect(() => {
    if (ticks && isAllThere) onSeen(log.text())
  }, [ticks, isAllThere, onSeen, log])
  if (!state?.says || inHand(asked) === 'phone' || step.expect.length === 0) return null

  if (!isOn)
    return (
      <Box mt="12px" className="no-print">
        <Press onClick={() => set('watched', job.id, true)}>Let the laptop watch</Press>
        <Text textStyle="note" mt="4px">
          While a step is open, {state.says} looks every second or two for what the step names, and for
          nothing else.
        </Text>
      </Box>
    )
  const needsOutside = step.expect.some((one) => one.reading === 'internet')
  return (
    <Box
      as="section"
      aria-label="Seen by the laptop"
      mt="14px"
      p="12px"
      border="1.5px solid"
      borderColor={seen ? color[seen.step.how] : 'hairline'}
      borderRadius="4px"
      className="no-print"
    >
      <Flex justify="space-between" gap="12px" wrap="wrap" align="baseline">
        <Text role="status" fontWeight="650" color={seen ? color[seen.step.how] : 'quiet'} flex="1 1 260px">
          {isAllThere && <Tick />} {seen?.step.says ?? 'Looking …'}
        </Text>
        <Press kind="plain" onClick={() => set('watched', job.id, false)}>
          stop watching
        </Press>
      </Flex>
      {seen && seen.step.how !== 'not-for-eyes' && (
        <ComparedRows rows={seen.step.rows} nothing="for your own eyes" />
      )}
      <Problem mt="4px">{error?.message}</Problem>
      {seen && <WhichAdapter job={job.id} adapters={seen.adapters} />}
      {needsOutside && (
        <Box mt="6px">
          <PlainField
            label="Asked whether the internet answers"
            kind="address"
            width="260px"
            value={outside}
            hint={
              outside
                ? 'It gets one ping a look, while this step is open.'
                : 'Empty: nobody is. Write an address outside, such as the provider’s gateway.'
            }
            onChange={(text) => set('outside', job.id, text)}
          />
        </Box>
      )}
      <Flex gap="8px 16px" wrap="wrap" align="center" mt="8px">
        {state.isSimulated && !isActed && seen?.step.how !== 'not-for-eyes' && (
          <Press onClick={act}>Do it in the invented house</Press>
        )}
        {seen?.step.how === 'as-said' && !ticks && (
          <Press kind="main" onClick={() => onSeen(log.text())}>
            {isAllThere ? 'Take it: seen as said' : 'The rest too: seen as said'}
          </Press>
        )}
        {seen?.step.how === 'otherwise' && (
          <Press kind="danger" onClick={props.onOther}>
            What may it mean?
          </Press>
        )}
        <Toggle
          label="Tick by itself when all of it was seen"
          on={ticks}
          set={(on) => set('ticks', job.id, on)}
        />
      </Flex>
    </Box>
  )
}
