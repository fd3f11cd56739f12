import { Box, Text } from '@chakra-ui/react'
import { useQuery } from '@tanstack/react-query'
import { useEffect, useRef, useState } from 'react'
import { Link } from 'react-router'
import { workOrder } from '../api/queries'
import { clock, ring } from '../parts/clock'
import { useAsked } from '../state/way'
import { useJob } from './JobContext'

/** A wait that was begun at a step goes on in every stage: the title counts it, a sound and the title tell when it is over. */
export function RunningTimer({ isAtWork }: { isAtWork: boolean }) {
  const { job } = useJob()
  const asked = useAsked(job.id)
  const { data } = useQuery({ ...workOrder(job.id, job.version, asked), enabled: false })
  const [now, setNow] = useState(Date.now())
  const running = (data?.order.steps ?? []).flatMap((step) => {
    const tick = data?.ticks.find((one) => one.stepKey === step.key)
    if (!tick?.startedAt || tick.outcome !== 'open' || !step.waitSeconds) return []
    return [{ step, until: Date.parse(tick.startedAt) + step.waitSeconds * 1000 }]
  })
  const next = running.find((one) => one.until > now)
  const over = running.filter((one) => one.until <= now).at(-1)
  useEffect(() => {
    if (running.length === 0) return
    const beat = setInterval(() => setNow(Date.now()), 500)
    return () => clearInterval(beat)
  }, [running.length])

  const waited = useRef<string | null>(null)
  useEffect(() => {
    if (waited.current && over && waited.current === over.step.key) ring()
    waited.current = next?.step.key ?? null
  }, [next?.step.key, over])

  const left = next ? Math.ceil((next.until - now) / 1000) : null
  const mark = left !== null ? `(${clock(left)}) ` : over ? '(back by now) ' : ''
  useEffect(() => {
    const bare = document.title.replace(/^\([^)]*\) /, '')
    if (document.title !== mark + bare) document.title = mark + bare
  })
  useEffect(
    () => () => {
      document.title = document.title.replace(/^\([^)]*\) /, '')
    },
    [],
  )
  const shown = next ?? over
  if (!shown || isAtWork) return null
  return (
    <Box px="16px" py="4px" bg="spruceWash" fontSize="small" className="no-print">
      <Link to={`/job/${job.id}/work?side=planned&step=${shown.step.key}`}>
        <Text as="span" fontWeight="650" textDecoration="underline">
          Step {shown.step.number}, {shown.step.short}
        </Text>
        {left !== null ? `: ${clock(left)} still to wait` : ': it should be back by now'}
      </Link>
    </Box>
  )
}
