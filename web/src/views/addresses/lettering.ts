import type { AddressMark } from '../../api/types'

const letter = 7.4
const gap = 12
const most = 5

export type Lettered = { mark: AddressMark; x: number; row: number; textX: number; anchor: 'start' | 'end' }

/**
 * Names above the ruler, each beside its line and none over another: from left to right, a row up where there is no room. What finds none
 * on any row is left to the list below; who is amiss and who routes comes first.
 */
export function lettering(marks: { mark: AddressMark; x: number }[], width: number) {
  const weight = ({ mark }: { mark: AddressMark }) => (mark.amiss ? 0 : mark.kind === 'gateway' ? 1 : 2)
  const taken: [number, number][][] = Array.from({ length: most }, () => [])
  const list: Lettered[] = []
  for (const one of [...marks].sort((a, b) => weight(a) - weight(b) || a.x - b.x)) {
    const name = Math.min(22, one.mark.name.length) + 5
    const w = name * letter
    const anchor = one.x + 6 + w > width ? 'end' : 'start'
    const [from, to] = anchor === 'start' ? [one.x, one.x + 6 + w] : [one.x - 6 - w, one.x]
    // Its line must cross nobody's name further down either.
    const row = taken.findIndex(
      (spans, i) =>
        spans.every(([a, b]) => to + gap < a || from > b + gap) &&
        taken.slice(0, i).every((lower) => lower.every(([a, b]) => one.x < a - 3 || one.x > b + 3)),
    )
    if (row < 0) continue
    taken[row].push([from, to])
    list.push({ ...one, row, textX: anchor === 'start' ? one.x + 6 : one.x - 6, anchor })
  }
  // Row 0 was filled first and lies lowest.
  const rows = Math.max(1, ...list.map((one) => one.row + 1))
  return { rows, list: list.map((one) => ({ ...one, row: rows - 1 - one.row })) }
}
