import type { BandStrip } from '../../api/types'

/** A block on a band: a radio of the house, or a neighbour, on a row where nothing lies on it. */
export type Block = { id: string; low: number; high: number; row: number }

/** Puts blocks that lie on each other on rows of their own. Own ones come first, so that they are nearest to the eye. */
export function rowsOf(blocks: Omit<Block, 'row'>[], gapMHz: number): Block[] {
  const ends: number[] = []
  return [...blocks]
    .sort((a, b) => a.low - b.low || b.high - b.low - (a.high - a.low))
    .map((block) => {
      let row = ends.findIndex((end) => block.low >= end + gapMHz)
      if (row < 0) row = ends.length
      ends[row] = block.high
      return { ...block, row }
    })
}

/** The channels that a radio of that width may be moved to: the lowest of each block that is lawful on its whole width. */
export function stops(strip: BandStrip, width: number): { number: number; low: number; high: number }[] {
  const lawful = new Map(strip.channels.filter((one) => one.why == null).map((one) => [one.number, one]))
  if (strip.band === '2.4')
    return [1, 6, 11, 13].flatMap((number) => {
      const channel = lawful.get(number)
      return channel ? [{ number, low: channel.lowMHz, high: channel.highMHz }] : []
    })
  const n = width / 20
  const first = (number: number) => (strip.band === '5' ? (number < 100 ? 36 : number < 149 ? 100 : 149) : 1)
  return [...lawful.values()].flatMap((channel) => {
    if (((channel.number - first(channel.number)) / 4) % n !== 0) return []
    const block = Array.from({ length: n }, (_, i) => lawful.get(channel.number + 4 * i))
    if (block.some((one) => !one)) return []
    return [{ number: channel.number, low: channel.lowMHz, high: channel.lowMHz + width }]
  })
}
