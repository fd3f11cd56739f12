import { Box, Flex, Text } from '@chakra-ui/react'
import { useQuery } from '@tanstack/react-query'
import { useEffect } from 'react'
import { type Asked, eyes as eyesQuery } from '../../api/queries'
import type { WorkStep } from '../../api/types'
import { useJob } from '../../layout/JobContext'
import { DraftField } from '../../parts/DraftField'
import { Press } from '../../parts/Press'
import { Problem } from '../../parts/Problem'
import { Toggle } from '../../parts/Toggle'
import { WhichAdapter } from '../../parts/WhichAdapter'
import { useEyes } from '../../state/eyes'
import { inHand } from '../../state/way'
import { ExpectedList } from './ExpectedList'
import { useWatching } from './useWatching'

/** On a phone the answers stand over the foot of the page: what is gone to by key comes to lie above them. */
const clear = { '& button, & label, & input': { scrollMarginBottom: '90px' } }

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
  /** What was seen so far, a line a change. */
  onLog: (seen: string) => unknown
  /** All of it was seen, and such steps are to be ticked without a press. */
  onAllThere: () => unknown
  onOther: () => void
}) {
  const { step, asked } = props
  const { job } = useJob()
  const { data: state } = useQuery(eyesQuery)
  const isOn = useEyes((eyes) => eyes.watched[job.id]) === true
  const ticks = useEyes((eyes) => eyes.ticks[job.id]) === true
  const set = useEyes((eyes) => eyes.set)
  const named = useEyes((eyes) => eyes.outside[job.id])
  const { error, seen, text, isActed, act } = useWatching(job.id, step, asked, isOn && !!state?.says)
  const isAllThere = seen?.step.how === 'as-said' && seen.step.isWhole
  const outside = named ?? seen?.outside ?? ''
  const { onLog, onAllThere } = props
  useEffect(() => {
    if (!seen) return
    onLog(text())
    set('fixed', job.id, seen.adapters.fixed ?? '')
    if (ticks && isAllThere) onAllThere()
  }, [seen, ticks, isAllThere])
  if (!state?.says || inHand(asked) === 'phone' || step.expect.length === 0)
    return <ExpectedList step={step} />

  if (!isOn)
    return (
      <Box className="no-print" css={clear}>
        <ExpectedList step={step} />
        <Press mt="12px" onClick={() => set('watched', job.id, true)}>
          Let the laptop watch
        </Press>
        <Text textStyle="note" mt="4px">
          While a step is open, {state.says} looks every second or two for what the step names, and for
          nothing else.
        </Text>
      </Box>
    )
  const needsOutside = step.expect.some((one) => one.reading === 'internet')
  return (
    <>
      <ExpectedList step={step} rows={seen?.step.rows} />
      <Box
        as="section"
        aria-label="Seen by the laptop"
        css={clear}
        mt="14px"
        p="12px"
        border="1.5px solid"
        borderColor={seen ? color[seen.step.how] : 'hairline'}
        borderRadius="4px"
        className="no-print"
      >
        <Flex justify="space-between" gap="12px" wrap="wrap" align="baseline">
          <Text role="status" fontWeight="650" color={seen ? color[seen.step.how] : 'quiet'} flex="1 1 260px">
            {seen?.step.says ?? 'Looking …'}
          </Text>
          <Press kind="plain" onClick={() => set('watched', job.id, false)}>
            stop watching
          </Press>
        </Flex>
        <Problem mt="4px">{error?.message}</Problem>
        {seen && <WhichAdapter job={job.id} adapters={seen.adapters} />}
        {needsOutside && seen && seen.step.how !== 'not-for-eyes' && (
          <Box mt="6px">
            <DraftField
              label="Asked whether the internet answers"
              kind="address"
              width="260px"
              value={outside}
              hint={
                outside
                  ? 'It gets one ping a look, while this step is open.'
                  : 'Empty: nobody is. Write an address outside, such as the provider’s gateway.'
              }
              commit={async (text) => {
                set('outside', job.id, text.trim())
                return undefined
              }}
            />
          </Box>
        )}
        <Flex gap="8px 16px" wrap="wrap" align="center" mt="8px">
          {state.isSimulated && !isActed && seen && !['not-for-eyes', 'as-said'].includes(seen.step.how) && (
            <Press onClick={act}>Do it in the invented house</Press>
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
    </>
  )
}
