import { Flex, Heading, Text } from '@chakra-ui/react'
import { useEffect, useState } from 'react'
import type { WorkOrderView, WorkStep } from '../../api/types'
import { useJob } from '../../layout/JobContext'
import { Choice } from '../../parts/Choice'
import { Press } from '../../parts/Press'
import { spentMs, useWatch } from '../../state/watch'
import { type Hands, useWay, type Way } from '../../state/way'

const waySays: Record<'keep' | 'reset', string> = {
  keep: 'Boxes keep what is set on them.',
  reset: 'Boxes with a new part to play are reset first.',
}

/** What the order comes to, how far it is, and the other ways to do it. */
export function OrderHead(props: {
  data: WorkOrderView
  steps: WorkStep[]
  done: WorkStep[]
  onPrint: () => void
  onPlay: () => void
}) {
  const { data, steps, done } = props
  const { job } = useJob()
  const choose = useWay((ways) => ways.set)
  const isBack = data.way.startsWith('back:')
  const left = Math.ceil(
    steps.filter((step) => !done.includes(step)).reduce((sum, step) => sum + (step.minutes ?? 0), 0),
  )
  const isDone = done.length === steps.length
  return (
    <>
      <Flex justify="space-between" align="baseline" gap="4px 12px" wrap="wrap" className="no-print">
        <Heading as="h2" textStyle="stage">
          {data.order.title}
        </Heading>
        <Flex gap="4px 12px" align="baseline" wrap="wrap">
          <Text fontSize="small" color="quiet">
            {done.length} of {steps.length} done ·{' '}
            {done.length > 0 && !isDone
              ? `about ${left} of ${data.order.minutes} min left`
              : `about ${data.order.minutes} min in all`}
            ,{' '}
            {data.cutMinutes
              ? `somebody without internet for ${data.cutMinutes} min`
              : 'nobody without internet'}
          </Text>
          <AtWork isOver={isDone} />
        </Flex>
      </Flex>
      <Flex
        mt="4px"
        ml="-5px"
        gap="4px 14px"
        wrap="wrap"
        align="baseline"
        textStyle="small"
        className="no-print"
      >
        <Press kind="plain" onClick={props.onPlay}>
          Rehearse it on the Stairs
        </Press>
        <Press kind="plain" onClick={props.onPrint} hideBelow="md">
          print
        </Press>
        {!isBack && (done.length > 0 || data.turns.length > 0) && !isDone && (
          <Press kind="plain" onClick={() => choose(job.id, `back:${done.at(-1)?.key ?? ''}`)}>
            back to as found
          </Press>
        )}
        {isBack && (
          <>
            <Text color="quiet" ml="5px">
              From where the work had got to. The plan stays as it is.
            </Text>
            <Press kind="plain" onClick={() => choose(job.id)}>
              Go on with the order instead
            </Press>
          </>
        )}
        {/* In the middle of the work there is no choosing any more: then there is the way back. */}
        {data.otherWay && done.length === 0 && (
          <>
            <Text color="quiet" ml="5px">
              {waySays[data.way as 'keep' | 'reset']}
            </Text>
            <Press kind="plain" onClick={() => choose(job.id, data.otherWay?.way as Way)}>
              {waySays[data.otherWay.way as 'keep' | 'reset'].replace(/\.$/, '')} instead:{' '}
              {data.otherWay.minutes} min, {data.otherWay.cutMinutes} min without internet
              {data.otherWay.isProven ? '' : ', not proved'}
            </Press>
          </>
        )}
      </Flex>
      {!isBack && done.length === 0 && <HandsChoice has={data.with as Hands} />}
    </>
  )
}

/** What the installer has in hand: without a socket the order is another one, or none. */
export function HandsChoice({ has }: { has: Hands }) {
  const { job } = useJob()
  const take = useWay((ways) => ways.take)
  return (
    <Flex mt="6px" className="no-print">
      <Choice<Hands>
        label="You have in hand"
        width="260px"
        value={has}
        onChange={(hands) => take(job.id, hands)}
        options={[
          { value: 'laptop', label: 'a laptop with a socket' },
          { value: 'no-socket', label: 'a laptop without a socket' },
          { value: 'phone', label: 'a phone alone' },
        ]}
      />
    </Flex>
  )
}

/** The time at work on this device; it can be stopped for a while. */
function AtWork({ isOver }: { isOver: boolean }) {
  const { job } = useJob()
  const spell = useWatch((watches) => watches.of[job.id])
  const { start, pause } = useWatch()
  const [now, setNow] = useState(Date.now())
  const isRunning = !!spell?.since && !isOver
  useEffect(() => {
    if (!isRunning) return
    const beat = setInterval(() => setNow(Date.now()), 10_000)
    return () => clearInterval(beat)
  }, [isRunning])
  useEffect(() => {
    if (isOver) pause(job.id)
  }, [isOver, pause, job.id])
  if (!spell) return null
  const minutes = Math.floor(spentMs(spell, Math.max(now, spell.since ?? 0)) / 60_000)
  return (
    <Text fontSize="small" color="quiet">
      {minutes} min at work{isRunning ? '' : isOver ? '' : ', paused'}{' '}
      {!isOver && (
        <Press kind="plain" onClick={() => (isRunning ? pause(job.id) : start(job.id))}>
          {isRunning ? 'pause' : 'go on'}
        </Press>
      )}
    </Text>
  )
}
