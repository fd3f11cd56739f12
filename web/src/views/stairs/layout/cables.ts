import type { Tread } from '../../../api/types'
import type { PlacedBox, PlacedPort, Point } from './placement'
import type { Sheet } from './sheet'
import { lane, streetY } from './sizes'

/** Levels under a box for its wires, one below the other; `level` is where the next would run. */
export function lanesFrom(level: number) {
  const lanes = {
    level,
    next: () => {
      lanes.level += lane
      return lanes.level - lane
    },
  }
  return lanes
}

/** Out of a socket, down to its lane, and along that. */
export const along = (port: { x: number; y: number }, level: number, x: number): Point[] => [
  [port.x, port.y],
  [port.x, level],
  [x, level],
]

/** What leaves a socket on a lower edge for another box: down into a lane, along it to the gutter, or in from there. */
export function cableFrom(sheet: Sheet, port: PlacedPort, tread: Tread, box: PlacedBox, next: () => number) {
  const cable = sheet.home.cableAt(port.socket)
  if (!cable && !sheet.home.isLine(port.socket)) return
  const level = next()
  const wait = cable && sheet.waitingFor(cable.id)
  if (cable && wait)
    return sheet.finish(cable.id, [...wait.from, [wait.gutter, level], [port.x, level], [port.x, port.y]])
  const slot = sheet.takeGutter(tread.segment, box.x - 8)
  const start = along(port, level, slot)
  if (cable) sheet.wait(cable.id, slot, start)
  else
    sheet.wires.push({ id: 'line', kind: 'line', points: [...start, [slot, streetY]], ends: [box.device.id] })
}

/** What comes in at the top of a step: the line straight from the street, a cable from the gutter of the tread above. */
export function cableDownTo(sheet: Sheet, box: PlacedBox, above: number) {
  for (const port of box.ports.filter((one) => one.edge === 'top')) {
    if (sheet.home.isLine(port.socket))
      sheet.wires.push({
        id: 'line',
        kind: 'line',
        points: [
          [port.x, streetY],
          [port.x, port.y],
        ],
        ends: [box.device.id],
      })
    const cable = sheet.home.cableAt(port.socket)
    const wait = cable && sheet.waitingFor(cable.id)
    if (!cable || !wait) continue
    const level = Math.max(above, box.y - 24)
    sheet.finish(cable.id, [...wait.from, [wait.gutter, level], [port.x, level], [port.x, port.y]])
  }
}
