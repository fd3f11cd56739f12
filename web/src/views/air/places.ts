import type { AirStander, AirView } from '../../api/types'
import type { Frame } from './frame'
import { type FloorSheet, type Point, pointOf, rectOf } from './sheets'

/** Where a box or thing is drawn: at its place, or in the row at the foot of its room where nobody has put it. */
export type Placed = { stander: AirStander; x: number; y: number; isPut: boolean }

const rowPx = 20

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
        return { stander, x: frame.x(at.x), y: frame.y(at.y), isPut: true }
      }),
      ...loose.map((stander, i) => ({
        stander,
        x: frame.x(rect.x) + 14,
        y: foot - (loose.length - 1 - i) * rowPx,
        isPut: false,
      })),
    ]
  })
}

export const looseThings = (view: AirView, room: string) =>
  view.standers.filter((one) => one.kind === 'thing' && one.room === room && !one.isPut)
