import type { HouseView, JobAnswer, JobView } from './types'

/**
 * The job with both its houses: what the answer leaves out is as it was.
 * @param had What the page had when it asked; nothing where everything was asked for.
 */
export function wholeJob(answer: JobAnswer, had?: JobView): JobView {
  const { version, plan } = answer
  const at = (house: object, takes: JobAnswer['ofFound']): HouseView =>
    ({ ...house, revision: version, undo: takes.undo, redo: takes.redo }) as HouseView
  const found = answer.found ?? had?.found
  const planned = plan.isAsFound ? found : (answer.planned ?? had?.planned)
  if (!found || !planned) throw new Error('A house is missing in the answer.')
  return { ...answer, found: at(found, answer.ofFound), planned: at(planned, answer.ofPlanned) }
}
