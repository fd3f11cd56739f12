import { Box, Flex, Grid, Heading, Text } from '@chakra-ui/react'
import { useQuery, useQueryClient } from '@tanstack/react-query'
import { useEffect, useMemo, useRef, useState } from 'react'
import { useSearchParams } from 'react-router'
import { setTick, workOrder } from '../../api/queries'
import type { TickView, WorkOrderView, WorkStep } from '../../api/types'
import { useJob, useTools } from '../../layout/JobContext'
import { useKeys } from '../../layout/useKeys'
import { Press } from '../../parts/Press'
import { useNotices } from '../../state/notices'
import { PrintedOrder } from './PrintedOrder'
import { StepList } from './StepList'
import { StepView } from './StepView'

const untouched = (stepKey: string): TickView => ({
  stepKey,
  revision: 0,
  outcome: 'open',
  note: '',
  startedAt: null,
  doneAt: null,
})

export function WorkOrderPage() {
  const { job } = useJob()
  const { show } = useTools()
  const [params, setParams] = useSearchParams()
  const options = workOrder(job.id, job.version)
  const { data, error } = useQuery(options)
  const queries = useQueryClient()
  const say = useNotices((store) => store.say)
  const [listOpen, setListOpen] = useState(false)

  const ticks = useMemo(() => new Map((data?.ticks ?? []).map((tick) => [tick.stepKey, tick])), [data])
  const steps = data?.order.steps ?? []
  const firstOpen = steps.find((step) => (ticks.get(step.key)?.outcome ?? 'open') === 'open') ?? steps.at(-1)
  const current = steps.find((step) => step.key === params.get('step')) ?? firstOpen
  const tickOf = (step: WorkStep) => ticks.get(step.key) ?? untouched(step.key)

  const go = (step: WorkStep | undefined) => {
    if (!step) return
    setListOpen(false)
    setParams((now) => {
      const after = new URLSearchParams(now)
      after.set('step', step.key)
      return after
    })
  }

  // One after the other, each on what the one before has left: a note that is put away by pressing a button is no second tab.
  const queue = useRef<Promise<boolean>>(Promise.resolve(true))
  const put = (step: WorkStep, change: Partial<TickView>) => {
    const run = async () => {
      const known = queries.getQueryData<WorkOrderView>(options.queryKey)?.ticks
      const now = known?.find((tick) => tick.stepKey === step.key) ?? untouched(step.key)
      const { revision, outcome, note, startedAt } = { ...now, ...change }
      try {
        const tick = await setTick(job.id, step.key, { revision, outcome, note, startedAt })
        queries.setQueryData<WorkOrderView>(
          options.queryKey,
          (old) =>
            old && { ...old, ticks: [...old.ticks.filter((one) => one.stepKey !== tick.stepKey), tick] },
        )
        return true
      } catch (failed) {
        say((failed as Error).message, 'problem')
        void queries.invalidateQueries({ queryKey: options.queryKey })
        return false
      }
    }
    queue.current = queue.current.then(run)
    return queue.current
  }

  const finish = async (outcome: 'as-said' | 'something-else') => {
    if (!current) return
    const next = steps[steps.indexOf(current) + 1]
    if ((await put(current, { outcome })) && outcome === 'as-said') go(next)
  }

  useKeys({ ' ': () => void finish('as-said'), x: () => void finish('something-else') })
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
      </Box>
    )
  if (!data) return null
  if (!current)
    return (
      <Box p="24px" maxW="560px">
        <Heading as="h2" fontSize="20px" mb="8px">
          Nothing to do yet
        </Heading>
        <Text mb="12px">
          The plan is still the house as found. Press a fix in the verdict, choose a way under Wants, or
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
        <Heading as="h2" fontSize="19px">
          {data.order.title}
        </Heading>
        <Flex gap="12px" align="baseline">
          <Text fontSize="14px" color="quiet">
            {done.length} of {steps.length} done · about {data.order.minutes} min in all
          </Text>
          <Press kind="plain" onClick={() => window.print()} hideBelow="md">
            print
          </Press>
        </Flex>
      </Flex>
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
          onStart={() => put(current, { startedAt: new Date().toISOString() })}
          onFinish={finish}
          onReopen={() => put(current, { outcome: 'open' })}
          onNote={(note) => put(current, { note })}
          onBack={() => go(steps[steps.indexOf(current) - 1])}
          onNext={() => go(steps[steps.indexOf(current) + 1])}
        />
      </Grid>
      <PrintedOrder title={data.order.title} steps={steps} />
    </Box>
  )
}
