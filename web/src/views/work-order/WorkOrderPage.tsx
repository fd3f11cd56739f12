import { Box, Flex, Grid, Heading, Text } from '@chakra-ui/react'
import { useQuery } from '@tanstack/react-query'
import { useEffect, useMemo, useState } from 'react'
import { workOrder } from '../../api/queries'
import type { WorkStep } from '../../api/types'
import { useJob, useTools } from '../../layout/JobContext'
import { useKeys } from '../../layout/useKeys'
import { usePlace } from '../../layout/usePlace'
import { focusOn } from '../../parts/focusOn'
import { Press } from '../../parts/Press'
import { useBusy } from '../../parts/useBusy'
import { untouched } from '../../state/outbox'
import { useWay, type Way } from '../../state/way'
import { DoneBox } from './DoneBox'
import { PrintedOrder } from './PrintedOrder'
import { StepList } from './StepList'
import { StepView } from './StepView'

const waySays: Record<'keep' | 'reset', string> = {
  keep: 'Boxes keep what is set on them.',
  reset: 'Boxes with a new part to play are reset first.',
}

export function WorkOrderPage() {
  const { job } = useJob()
  const { show, tick } = useTools()
  const { params, turn } = usePlace()
  const way = useWay((ways) => ways.of[job.id])
  const choose = useWay((ways) => ways.set)
  const options = workOrder(job.id, job.version, way)
  const { data, error } = useQuery({ ...options, placeholderData: (old) => old })
  const [listOpen, setListOpen] = useState(false)

  const ticks = useMemo(() => new Map((data?.ticks ?? []).map((tick) => [tick.stepKey, tick])), [data])
  const steps = data?.order.steps ?? []
  const firstOpen = steps.find((step) => (ticks.get(step.key)?.outcome ?? 'open') === 'open') ?? steps.at(-1)
  const current = steps.find((step) => step.key === params.get('step')) ?? firstOpen
  const tickOf = (step: WorkStep) => ticks.get(step.key) ?? untouched(step.key)

  const go = (step: WorkStep | undefined) => {
    if (!step) return
    setListOpen(false)
    turn({ step: step.key })
  }

  const finish = async (outcome: 'as-said' | 'something-else') => {
    if (!current || tickOf(current).outcome !== 'open') return
    const next = steps[steps.indexOf(current) + 1]
    if (!(await tick(current.key, { outcome }))) return
    if (outcome === 'as-said') go(next)
    // Where the work goes on: the next step's own button; where something else was seen, the words for it.
    focusOn(outcome === 'as-said' ? '[data-done]' : '#note')
  }
  const { busy, run } = useBusy()

  useKeys({ done: () => run(() => finish('as-said')), else: () => run(() => finish('something-else')) })
  const shown = current?.key
  useEffect(() => {
    if (!shown) return
    // Beside its list the step stays where it is and the list follows; on a phone the list is folded away.
    const inList = document.querySelector('[data-step][aria-current=step]')
    if (inList?.checkVisibility()) inList.scrollIntoView({ block: 'nearest' })
    else document.querySelector('.sheet')?.scrollTo({ top: 0 })
  }, [shown])

  if (error)
    return (
      <Box p="24px" role="alert" color="brick">
        {error.message}
        {way && (
          <Press mt="8px" onClick={() => choose(job.id)}>
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
  if (!current)
    return (
      <Box p="24px" maxW="560px">
        <Heading as="h2" textStyle="stage" mb="8px">
          Nothing to do yet
        </Heading>
        <Text mb="12px">
          The plan is still the house as found. Press a fix in the verdict, choose a way under Options, or
          change the planned house on the Stairs: the order of work follows.
        </Text>
        <Press kind="main" onClick={() => show('planned')}>
          Look at the planned house
        </Press>
      </Box>
    )

  const done = steps.filter((step) => tickOf(step).outcome !== 'open')
  return (
    <Box px={{ base: '16px', md: '24px' }} py="16px">
      <Flex justify="space-between" align="baseline" gap="12px" wrap="wrap" className="no-print">
        <Heading as="h2" textStyle="stage">
          {data.order.title}
        </Heading>
        <Flex gap="12px" align="baseline">
          <Text fontSize="14px" color="quiet">
            {done.length} of {steps.length} done · about {data.order.minutes} min in all,{' '}
            {data.cutMinutes ? `somebody without internet for ${data.cutMinutes}` : 'nobody without internet'}
          </Text>
          {!data.way.startsWith('back:') && done.length > 0 && done.length < steps.length && (
            <Press kind="plain" onClick={() => choose(job.id, `back:${done.at(-1)?.key}`)}>
              back to as found
            </Press>
          )}
          <Press kind="plain" onClick={() => window.print()} hideBelow="md">
            print
          </Press>
        </Flex>
      </Flex>
      {data.way.startsWith('back:') && (
        <Flex mt="4px" gap="4px 10px" wrap="wrap" align="baseline" textStyle="small" className="no-print">
          <Text color="quiet">From where the work had got to. The plan stays as it is.</Text>
          <Press kind="plain" onClick={() => choose(job.id)}>
            Go on with the order instead
          </Press>
        </Flex>
      )}
      {/* In the middle of the work there is no choosing any more: then there is the way back. */}
      {data.otherWay && done.length === 0 && (
        <Flex mt="4px" gap="4px 10px" wrap="wrap" align="baseline" textStyle="small" className="no-print">
          <Text color="quiet">{waySays[data.way as 'keep' | 'reset']}</Text>
          <Press kind="plain" onClick={() => choose(job.id, data.otherWay?.way as Way)}>
            {waySays[data.otherWay.way as 'keep' | 'reset'].replace(/\.$/, '')} instead:{' '}
            {data.otherWay.minutes} min, {data.otherWay.cutMinutes} without internet
            {data.otherWay.isProven ? '' : ', not proved'}
          </Press>
        </Flex>
      )}
      {done.length === steps.length && <DoneBox steps={steps} tickOf={tickOf} />}
      {!data.isProven && (
        <Box role="alert" mt="8px" p="10px" border="1px dashed" borderColor="ochre">
          <Text fontWeight="700" color="ochre">
            This order could not be proved when it was simulated:
          </Text>
          {data.order.gaps.map((gap) => (
            <Text key={gap} fontSize="14px">
              {gap}
            </Text>
          ))}
        </Box>
      )}
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
          onStart={() => tick(current.key, { startedAt: new Date().toISOString() })}
          isBusy={busy}
          onFinish={(outcome) => run(() => finish(outcome))}
          onReopen={() => tick(current.key, { outcome: 'open' })}
          onNote={async (note) =>
            (await tick(current.key, { note })) ? undefined : 'This note is not kept yet.'
          }
          onBack={() => go(steps[steps.indexOf(current) - 1])}
          onNext={() => go(steps[steps.indexOf(current) + 1])}
        />
      </Grid>
      <PrintedOrder title={data.order.title} steps={steps} />
    </Box>
  )
}
