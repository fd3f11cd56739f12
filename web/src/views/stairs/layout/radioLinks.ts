import type { PlacedBox, Point, RadioLink } from './placement'
import type { Sheet } from './sheet'
import { radioLane } from './sizes'

/** From the box that is joined, down its tread's gutter, to the box that joins. */
export function radioLinks(sheet: Sheet): RadioLink[] {
  const boxes = new Map<string, { box: PlacedBox; tread: string }>()
  for (const tread of sheet.treads)
    for (const box of tread.boxes) boxes.set(box.device.id, { box, tread: tread.tread.segment })
  const used = new Map<string, number>()
  // A step has clear ground on its left; any other box is met from above, where its row keeps a lane free.
  const end = (id: string, box: PlacedBox, slot: number): Point[] => {
    const n = used.get(id) ?? 0
    used.set(id, n + 1)
    const sky = sheet.skyOf(id)
    if (!sky) {
      const y = box.y + 22 + Math.min(n, 5) * 10
      return [
        [slot, y],
        [box.x, y],
      ]
    }
    const y = sky.next
    sky.next += radioLane
    const x = box.x + 24 + Math.min(n, 8) * 12
    return [
      [slot, y],
      [x, y],
      [x, box.y],
    ]
  }
  return sheet.home.uplinks.flatMap((link) => {
    const [far, own] = [boxes.get(link.joined), boxes.get(link.box)]
    if (!far || !own) return []
    const slot = sheet.takeGutter(far.tread, far.box.x - 10)
    const points = [...end(link.joined, far.box, slot).reverse(), ...end(link.box, own.box, slot)]
    return [{ id: `up-${link.box}`, from: link.joined, to: link.box, points }]
  })
}
