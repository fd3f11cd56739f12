import type { AirStander, AirView } from '../../api/types'
import type { Frame } from './frame'
import { type FloorSheet, type Point, pointOf, rectOf } from './sheets'

/** Where a box or thing is drawn: at its place, or in the row at the foot of its room where nobody has put it. */
export type Placed = {
  stander: AirStander
  x: number
  y: number
  isPut: boolean
  /** How wide its name may be, and on which side there is room for it. */
  letters: number
  onLeft: boolean
}

const rowPx = 20
const lettersPx = { width: 112, height: 84 }

/** Boxes of a floor, and the things that were put somewhere; the others are a number in their room. */
export function placesOf(view: AirView, sheet: FloorSheet, frame: Frame): Placed[] {
  return sheet.rooms.flatMap((room) => {
    const rect = rectOf(room)
    if (!rect) return []
    const here = view.standers.filter((one) => one.room === room.id && !one.isAtHand)
    const put = here.filter((one) => one.isPut && one.at)
    const loose = here.filter((one) => one.kind !== 'thing' && !one.isPut)
    const foot = frame.y(rect.y + rect.depth) - 14
    return [
      ...put.map((stander) => {
        const at = pointOf(stander.at) as Point
        const [x, y] = [frame.x(at.x), frame.y(at.y)]
        const [left, right] = [x - frame.x(rect.x) - 14, frame.x(rect.x + rect.width) - x - 18]
        const onLeft = right < 70 && left > right
        // The room's own letters are left free: there the sign alone stands, and its name is told by pressing it.
        const isInLetters = y - frame.y(rect.y) < lettersPx.height
        const free = !isInLetters ? left : left - lettersPx.width
        return {
          stander,
          x,
          y,
          isPut: true,
          letters: Math.max(0, onLeft ? free : isInLetters && left < lettersPx.width ? 0 : right),
          onLeft,
        }
      }),
      ...loose.map((stander, i) => ({
        stander,
        x: frame.x(rect.x) + 14,
        y: foot - (loose.length - 1 - i) * rowPx,
        isPut: false,
        letters: Math.max(0, rect.width * frame.scale - 36),
        onLeft: false,
      })),
    ]
  })
}

export const looseThings = (view: AirView, room: string) =>
  view.standers.filter((one) => one.kind === 'thing' && one.room === room && !one.isPut)

const letterPx = 6.7

/** The boxes' signs with their names, as rectangles on the page. */
const nameBox = (one: Placed) => {
  const wide = Math.min(one.letters, one.stander.name.length * letterPx) + 22
  return {
    left: one.onLeft ? one.x - wide + 9 : one.x - 8,
    right: one.onLeft ? one.x + 9 : one.x - 8 + wide,
    y: one.y,
  }
}

/** Where on a link its level is written: as near to the middle as no name is covered. */
export function clearOf(places: Placed[], from: Placed, to: Placed): { left: number; top: number } {
  const at = (t: number) => ({ left: from.x + 8 + (to.x - from.x) * t, top: from.y + (to.y - from.y) * t })
  const isClear = (t: number) => {
    const { left, top } = at(t)
    return places.every((one) => {
      const name = nameBox(one)
      return Math.abs(name.y - top) > 17 || left + 34 < name.left || left - 34 > name.right
    })
  }
  return at([0.5, 0.6, 0.4, 0.7, 0.3, 0.8, 0.2].find(isClear) ?? 0.5)
}
