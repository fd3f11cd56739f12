import { useMutationState } from '@tanstack/react-query'
import type { Change } from '../api/changes'
import type { TickView } from '../api/types'
import { changeKey, untouched } from './outbox'

/** The ticks as they will be once what waits has been sent: the work goes on while the laptop is away. */
export function withWaiting(ticks: TickView[], waiting: (Change | undefined)[], job: string): TickView[] {
  const of = new Map(ticks.map((tick) => [tick.stepKey, tick]))
  for (const change of waiting) {
    if (change?.what !== 'tick' || change.job !== job) continue
    const before = of.get(change.step) ?? untouched(change.step)
    of.set(change.step, {
      ...before,
      ...change.tick,
      outcome: change.tick.outcome ?? before.outcome,
      note: change.tick.note ?? before.note,
      seen: change.tick.seen ?? before.seen,
    })
  }
  return [...of.values()]
}

export function useWaitingChanges(): (Change | undefined)[] {
  return useMutationState({
    filters: { mutationKey: changeKey, status: 'pending' },
    select: (one) => one.state.variables as Change | undefined,
  })
}
