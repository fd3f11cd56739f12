import { useQuery } from '@tanstack/react-query'
import { useEffect, useRef, useState } from 'react'
import { type Asked, watchStep } from '../../api/queries'
import type { WatchView, WorkStep } from '../../api/types'
import { useEyes } from '../../state/eyes'

const everyMs = 1_500

const clock = (at: string) => new Date(at).toLocaleTimeString('en-GB')

/** Looks of one open step, one after the other, and what changed between them. */
export function useWatching(job: string, step: WorkStep, asked: Asked, isOn: boolean) {
  const adapter = useEyes((eyes) => eyes.adapter[job])
  const outside = useEyes((eyes) => eyes.outside[job])
  /** When the step was done in an invented house; null: not yet. */
  const [acted, setActed] = useState<number | null>(null)
  const query = useQuery({
    queryKey: ['job', job, 'watch', step.key, asked, adapter, outside, acted],
    queryFn: ({ signal }) =>
      watchStep(
        job,
        asked,
        step.key,
        { adapter, outside, acted: acted === null ? null : (Date.now() - acted) / 1000 },
        signal,
      ),
    enabled: isOn,
    // A look by the laptop is never one from before; a page that nobody sees looks at nothing.
    gcTime: 0,
    staleTime: 0,
    retry: false,
    refetchInterval: everyMs,
    refetchIntervalInBackground: false,
    placeholderData: (old) => old,
  })
  const log = useLog(query.data, isOn)
  return { error: query.error, ...log, isActed: acted !== null, act: () => setActed(Date.now()) }
}

/** What is seen while a plug is on its way means nothing: what another look sees as well counts. */
export function useLog(view: WatchView | undefined, isOn: boolean) {
  const last = useRef<WatchView>(undefined)
  const lines = useRef<string[]>([])
  const [settled, setSettled] = useState<WatchView>()
  useEffect(() => {
    if (!view || !isOn || view === last.current) return
    const before = last.current
    last.current = view
    if (before?.step.how !== view.step.how) return
    const line = `${view.step.says}${view.step.how === 'as-said' ? ` ${view.step.seen}.` : ''}`
    const isNew =
      view.step.how !== 'not-for-eyes' &&
      (settled?.step.how !== view.step.how || settled.step.seen !== view.step.seen)
    // The clock of a wait is no news.
    if (isNew && (view.step.how !== 'waiting' || settled?.step.how !== 'waiting'))
      lines.current.push(`${clock(view.at)} ${line}`)
    setSettled(view)
  }, [view, isOn, settled])
  return { seen: settled, text: () => lines.current.slice(-12).join('\n').slice(-3_900) }
}
