import type { Stop, Walk } from '../../api/types'

/** What a stop is called in the address. */
export const keyOf = (stop: Pick<Stop, 'kind' | 'box'>) =>
  stop.kind === 'box' ? `box:${stop.box}` : stop.kind

export const keyOfAsked = (one: Walk['asked'][number]) => keyOf({ kind: one.stop, box: one.box })

/** The stop that was asked for; else the first that is not done; else the first. */
export const stopFor = (walk: Walk, asked: string | null): Stop =>
  walk.stops.find((stop) => keyOf(stop) === asked) ?? walk.stops.find((stop) => !stop.isDone) ?? walk.stops[0]
