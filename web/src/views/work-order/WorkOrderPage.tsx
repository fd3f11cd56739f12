import { Box, Grid, Text } from '@chakra-ui/react'
import { useQuery } from '@tanstack/react-query'
import { useEffect, useRef, useState } from 'react'
import { ApiProblem } from '../../api/client'
import { workOrder } from '../../api/queries'
import type { WorkStep } from '../../api/types'
import { useJob, useTools } from '../../layout/JobContext'
import { useKeys } from '../../layout/useKeys'
import { usePlace } from '../../layout/usePlace'
import { focusOn } from '../../parts/focusOn'
import { Press } from '../../parts/Press'
import { untouched } from '../../state/outbox'
import { useWaitingChanges, withWaiting } from '../../state/waitingTicks'
import { useWatch } from '../../state/watch'
import { inHand, useAsked, useWay } from '../../state/way'
import { DoneBox } from './DoneBox'
import { Gaps } from './Gaps'
import { Instead } from './Instead'
import { NoSteps } from './NoSteps'
import { OrderHead } from './OrderHead'
import { PrintedOrder, usePrint } from './PrintedOrder'
import { Rehearsal } from './Rehearsal'
import { Shown } from './Shown'
import { StepList } from './StepList'
import { StepPhotos } from './StepPhotos'
import { StepView } from './StepView'
import { Turns } from './Turns'
import { Watching } from './Watching'

export function WorkOrderPage() {
  const { job } = useJob()
  const { tick } = useTools()
  const { params, turn } = usePlace()
  const asked = useAsked(job.id)
  const choose = useWay((ways) => ways.set)
  const take = useWay((ways) => ways.take)
  const { data, error, isPlaceholderData } = useQuery({
    ...workOrder(job.id, job.version, asked),
    placeholderData: (old) => old,
  })
  const [listOpen, setListOpen] = useState(false)
  /** The step at which something else was seen, until it is said what. */
  const [otherAt, setOtherAt] = useState<string | null>(null)
  const print = usePrint()
  const watch = useWatch()

  const waiting = useWaitingChanges()
  const ticks = new Map(withWaiting(data?.ticks ?? [], waiting, job.id).map((tick) => [tick.stepKey, tick]))
  const steps = data?.order.steps ?? []
  const firstOpen = steps.find((step) => (ticks.get(step.key)?.outcome ?? 'open') === 'open') ?? steps.at(-1)
  const current = steps.find((step) => step.key === params.get('step')) ?? firstOpen
  const tickOf = (step: WorkStep) => ticks.get(step.key) ?? untouched(step.key)

  const go = (step: WorkStep | undefined) => {
    if (!step) return
    setListOpen(false)
    turn({ step: step.key })
  }

  /** Steps of which it was just said: a second press on one says nothing more. */
  const said = useRef(new Set<string>())
  /** What the laptop saw by itself at a step. */
  const seenAt = useRef<{ key: string; seen: string }>(undefined)
  const finish = async (outcome: 'as-said' | 'something-else') => {
    if (!current || tickOf(current).outcome !== 'open' || said.current.has(current.key)) return
    said.current.add(current.key)
    const isOpen = (step: WorkStep) => step !== current && tickOf(step).outcome === 'open'
    const next = steps.slice(steps.indexOf(current)).find(isOpen) ?? steps.find(isOpen)
    if (!watch.of[job.id]?.since) watch.start(job.id)
    const seen = seenAt.current?.key === current.key ? seenAt.current.seen : ''
    const kept = tick(current.key, { outcome, ...(seen ? { seen } : {}) })
    // At once: whoever has gone on to the next step's note must not be called back from it when the answer comes.
    setOtherAt(null)
    if (outcome === 'as-said') go(next)
    // Where the work goes on: the next step's own button; after the last what came of it all; where something else was seen, the words for it.
    focusOn(outcome === 'something-else' ? '#note' : next ? '[data-done]' : '[data-all-done]')
    await kept
    said.current.delete(current.key)
  }
  const askOther = (step: WorkStep) => {
    if (tickOf(step).outcome !== 'open') return
    setOtherAt(step.key)
    focusOn('[data-instead-head]')
  }

  useKeys({ done: () => void finish('as-said'), else: () => current && askOther(current) })
  const shown = current?.key
  useEffect(() => {
    if (!shown) return
    // Beside its list the step stays where it is and the list follows; on a phone the list is folded away.
    const inList = document.querySelector('[data-step][aria-current=step]')
    if (inList?.checkVisibility()) inList.scrollIntoView({ block: 'nearest' })
    else document.querySelector('.sheet')?.scrollTo({ top: 0 })
  }, [shown])

  // An order that is here is worked through, whether the laptop answers or not.
  const isAway = error instanceof ApiProblem && error.isNoAnswer && data && !isPlaceholderData
  if (error && !isAway)
    return (
      <Box p="24px" role="alert" color="brick">
        {error.message}
        {(asked.way || asked.with) && (
          <Press
            mt="8px"
            onClick={() => {
              choose(job.id)
              take(job.id, 'laptop')
            }}
          >
            Show the order that is proposed
          </Press>
        )}
      </Box>
    )
  if (!data)
    return (
      <Text p="24px" role="status" color="quiet">
        Writing the order …
      </Text>
    )
  if (!current) return <NoSteps data={data} />

  const done = steps.filter((step) => tickOf(step).outcome !== 'open')
  if (params.get('play') === '1')
    return (
      <Rehearsal
        title={data.order.title}
        steps={steps}
        current={current}
        asked={asked}
        turns={data.turns.length}
        onGo={go}
        onClose={() => turn({ play: null })}
      />
    )
  return (
    <Box px={{ base: '16px', md: '24px' }} py="16px">
      <OrderHead
        data={data}
        steps={steps}
        done={done}
        onPrint={print.start}
        onPlay={() => turn({ play: '1', step: current.key })}
      />
      <Turns turns={data.turns} />
      {done.length === steps.length && <DoneBox steps={steps} tickOf={tickOf} />}
      <Gaps order={data.order} />
      <Grid
        mt="12px"
        templateColumns={{ base: '1fr', md: '210px minmax(0, 1fr)' }}
        gap="24px"
        className="no-print"
      >
        <Box>
          <Press hideFrom="md" onClick={() => setListOpen(!listOpen)} aria-expanded={listOpen}>
            Step {current.number} of {steps.length}: all steps
          </Press>
          <Box display={{ base: listOpen ? 'block' : 'none', md: 'block' }} mt={{ base: '8px', md: '0' }}>
            <StepList steps={steps} current={current} tickOf={tickOf} onGo={go} />
          </Box>
        </Box>
        <StepView
          key={current.key}
          step={current}
          tick={tickOf(current)}
          inHand={inHand(asked)}
          onStart={() => tick(current.key, { startedAt: new Date().toISOString() })}
          onFinish={finish}
          onElse={() => askOther(current)}
          watching={
            tickOf(current).outcome === 'open' && otherAt !== current.key ? (
              <Watching
                step={current}
                asked={asked}
                onLog={(seen) => {
                  seenAt.current = { key: current.key, seen }
                }}
                onAllThere={() => void finish('as-said')}
                onOther={() => askOther(current)}
              />
            ) : undefined
          }
          shown={<Shown step={current} asked={asked} onOther={() => askOther(current)} />}
          instead={
            otherAt === current.key && tickOf(current).outcome === 'open' ? (
              <Instead
                step={current}
                possible={data.otherwise[current.key] ?? []}
                asked={asked}
                turns={data.turns.length}
                onNoteOnly={() => finish('something-else')}
                onTurned={() => {
                  setOtherAt(null)
                  // On the way back the rest leads back, from where the house now stands.
                  if (asked.way?.startsWith('back:')) choose(job.id, 'back:')
                  turn({ step: null })
                }}
                onClose={() => {
                  setOtherAt(null)
                  focusOn('[data-done]')
                }}
              />
            ) : undefined
          }
          photos={<StepPhotos step={current} />}
          onReopen={() => tick(current.key, { outcome: 'open' })}
          onNote={async (note) =>
            (await tick(current.key, { note })) ? undefined : 'This note is not kept yet.'
          }
          onBack={() => go(steps[steps.indexOf(current) - 1])}
          onNext={() => go(steps[steps.indexOf(current) + 1])}
        />
      </Grid>
      <PrintedOrder
        title={data.order.title}
        steps={steps}
        inHand={inHand(asked)}
        codesOf={print.isPrinting ? job.id : undefined}
        notes={(step) => tickOf(step).note}
        onReady={print.ready}
      />
    </Box>
  )
}
