import type { Endpoint, Tread } from '../../../api/types'
import { along, cableFrom, lanesFrom } from './cables'
import type { PlacedBox, PlacedPort, PlacedThing, Point } from './placement'
import type { Sheet } from './sheet'
import { lane, letterW, radioColumn } from './sizes'

type Plugged = { thing: Endpoint; port: PlacedPort }

/** A box that has a row to itself: its cables and things, from its lower edge down. */
export function cluster(sheet: Sheet, box: PlacedBox, tread: Tread, things: PlacedThing[], clearOf: number) {
  const wired = sheet.home.wiredOn(box.device.id, tread)
  const x0 = box.x + radioColumn
  const perRow = sheet.columns(sheet.width - x0 - 6)
  const first = wired.slice(0, perRow)
  const later = plugged(sheet, wired.slice(perRow))
  const { cardW, gap } = sheet.sizes
  const leaving = box.ports
    .filter((port) => port.edge === 'bottom' && sheet.home.cableAt(port.socket))
    .sort((a, b) => a.x - b.x)
  const line = box.ports.find((port) => port.edge === 'bottom' && sheet.home.isLine(port.socket))
  const lanes = plugged(sheet, first).length + leaving.length + later.length + (line ? 1 : 0)

  // Beside the lettering there is room as long as nothing reaches under it.
  const rightmost = x0 + first.length * (cardW + gap) - gap
  const isClear = first.length > 0 && rightmost < sheet.width - letterW - 8
  const under = box.y + box.h + 18
  const below = lanesFrom(isClear ? under : Math.max(under, clearOf + 4))
  const { next } = below
  const drops = dropsTo(sheet, first, x0, next)
  for (const port of leaving) cableFrom(sheet, port, tread, box, next)
  if (line) cableFrom(sheet, line, tread, box, next)
  const climbs = later.map(({ thing, port }) => {
    const slot = sheet.takeGutter(tread.segment, box.x - 8)
    return { thing, slot, points: along(port, next(), slot) }
  })

  sheet.y = lanes > 0 ? below.level + 6 : Math.max(box.y + box.h + 14, clearOf)
  const top = sheet.y
  sheet.rows(first, x0, things)
  for (const drop of drops) sheet.thingWire(drop.thing, [...drop.points, [drop.x, top]])
  if (climbs.length > 0) laterRows(sheet, climbs, x0, things)
  radioGroups(sheet, box, tread, things, x0)
}

const plugged = (sheet: Sheet, list: Endpoint[]): Plugged[] =>
  list.flatMap((thing) => {
    const port = sheet.portOf(thing)
    return port ? [{ thing, port }] : []
  })

/** Straight down to the first row of cards: those that lead right from the rightmost socket on, those that lead left from the
 * leftmost, so that none crosses another. */
function dropsTo(sheet: Sheet, first: Endpoint[], x0: number, next: () => number) {
  const placed = first.flatMap((thing, i) => {
    const port = sheet.portOf(thing)
    const x = x0 + i * (sheet.sizes.cardW + sheet.sizes.gap) + sheet.sizes.cardW / 2
    return port ? [{ thing, port, x }] : []
  })
  const right = placed.filter((one) => one.x >= one.port.x).sort((a, b) => b.port.x - a.port.x)
  const left = placed.filter((one) => one.x < one.port.x).sort((a, b) => a.port.x - b.port.x)
  return [...right, ...left].map(({ thing, port, x }) => ({ thing, x, points: along(port, next(), x) }))
}

/** Cards past the first row are reached by the gutter, each by a lane of its own above its row. */
function laterRows(
  sheet: Sheet,
  climbs: { thing: Endpoint; slot: number; points: Point[] }[],
  x0: number,
  things: PlacedThing[],
) {
  sheet.y += 8
  const tops = new Map<string, Point>()
  sheet.rows(
    climbs.map((climb) => climb.thing),
    x0,
    things,
    (count) => count * lane + 6,
    (thing, point) => tops.set(thing.id, point),
  )
  let used = 0
  let row = -1
  for (const climb of climbs) {
    const at = tops.get(climb.thing.id)
    if (!at) continue
    used = at[1] === row ? used + 1 : 1
    row = at[1]
    const enter = at[1] - 4 - used * lane
    sheet.thingWire(climb.thing, [...climb.points, [climb.slot, enter], [at[0], enter], at])
  }
}

function radioGroups(sheet: Sheet, box: PlacedBox, tread: Tread, things: PlacedThing[], x0: number) {
  if (!box.antenna) return
  for (const [ssid, members] of sheet.home.wirelessOn(box.device.id, tread)) {
    sheet.y += 10
    sheet.radios.push({
      id: `${box.device.id}/${ssid}`,
      x: box.antenna[0],
      y1: box.antenna[1] + 6,
      y2: sheet.y + 12,
      // On a phone there is no room to say whose it is; the arcs say so.
      label: { x: x0, y: sheet.y, ssid, box: sheet.sizes.narrow ? null : box.device.id },
    })
    sheet.y += 26
    sheet.rows(members, x0, things)
  }
}
