import { adoptPlan, answerHeld, doDeeds, redo, setTick, undo } from './queries'
import type { Action, JobAnswer, Side, TickView } from './types'

/** What a person changed, as it waits to be sent: it can be written down, and its own id makes it once however often it arrives. */
export type Change = {
  id: string
  job: string
} /** `drawn`: the version that was on screen when they were thought of. */ & (
  | { what: 'deeds'; side: Side; actions: Action[]; say?: string; drawn?: number }
  | { what: 'adopt'; actions: Action[]; say?: string }
  | { what: 'held'; index: number; answer: 'take-out' | 'keep' }
  | { what: 'undo' | 'redo'; side: Side }
  | { what: 'tick'; step: string; tick: TickChange }
)

export type TickChange = Partial<Pick<TickView, 'outcome' | 'note' | 'startedAt' | 'seen'>>
export type HouseChange = Exclude<Change, { what: 'tick' }>

/** Each of the union without what is added when it is sent. */
export type Asked<T = HouseChange> = T extends { id: string; job: string } ? Omit<T, 'id' | 'job'> : never

/** An id that the server has never seen. */
export const newChangeId = () => crypto.randomUUID()

export function sendHouseChange(change: HouseChange, version: number): Promise<JobAnswer> {
  const { id, job } = change
  switch (change.what) {
    case 'deeds':
      return doDeeds(job, change.side, version, change.actions, change.say, id, change.drawn)
    case 'adopt':
      return adoptPlan(job, version, change.actions, change.say, id)
    case 'held':
      return answerHeld(job, version, change.index, change.answer, id)
    case 'undo':
      return undo(job, change.side, version, id)
    case 'redo':
      return redo(job, change.side, version, id)
  }
}

/** @param asked The order in which the step was seen. */
export const sendTick = (
  change: Extract<Change, { what: 'tick' }>,
  now: TickView,
  asked?: { way?: string; with?: string },
): Promise<TickView> => {
  const { revision, outcome, note, startedAt, seen } = { ...now, ...change.tick }
  return setTick(change.job, change.step, { revision, outcome, note, startedAt, seen }, asked)
}
