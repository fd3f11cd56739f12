import { joinOf } from '../../../api/attachment'
import type { Endpoint, Step, Tread } from '../../../api/types'
import { band, bandsOf } from './band'
import { boxOn, stepBox } from './boxes'
import { cluster } from './cluster'
import type { PlacedBox, PlacedThing, PlacedTread } from './placement'
import type { Sheet } from './sheet'
import { letterLine, letterW, mostServerLines, radioColumn, radioLane } from './sizes'

/** One subnet with everything that stands on it, from where the sheet is used up to. */
export function placeTread(sheet: Sheet, tread: Tread, step: Step | null, x: number): PlacedTread {
  const origin = sheet.openGutter(tread, step, x)
  const { narrow, labelH } = sheet.sizes
  const boxes: PlacedBox[] = []
  const things: PlacedThing[] = []
  if (step) boxes.push(stepBox(sheet, step, tread, origin))
  const top = sheet.y
  // On a phone the lettering has a strip of its own at the foot; else it stands at the right, beside the first box.
  const clear = boxes[0] ? boxes[0].x + boxes[0].w + 12 : origin
  const label = narrow
    ? { x: origin, y: 0, w: sheet.width - origin - 8, right: false }
    : {
        x: Math.max(clear, sheet.width - letterW),
        y: top + 8,
        w: Math.min(letterW, sheet.width - clear) - 12,
        right: true,
      }
  sheet.y = top + (!narrow || step ? 6 : 8)
  // Who else gives out addresses here is said on a line of its own: it is the fault to be seen.
  const moreLines = (Math.min(mostServerLines, Math.max(1, tread.servers.length)) - 1) * letterLine
  const labelBottom = top + labelH + moreLines
  const below = () => (narrow ? sheet.y : labelBottom)

  if (step) cluster(sheet, boxes[0], tread, things, below())
  for (const devices of bandsOf(sheet, tread, origin)) {
    sheet.y = Math.max(sheet.y, below()) + 14
    if (devices.length > 1) {
      boxes.push(...band(sheet, devices, tread, origin, things))
      continue
    }
    sheet.keepSky(devices[0].id, { next: sheet.y })
    sheet.y += sheet.home.linksAt(devices[0].id) * radioLane
    const box = boxOn(sheet, devices[0], tread, origin)
    boxes.push(box)
    sheet.y = box.y + box.h
    cluster(sheet, box, tread, things, sheet.y)
  }
  strangers(sheet, tread, origin, things, labelBottom)
  sheet.y = Math.max(sheet.y + 14, narrow ? 0 : labelBottom + 8)
  if (narrow) {
    label.y = sheet.y
    sheet.y += 62 + moreLines
  }
  const ground = sheet.treads.length % 5
  const placed = { tread, x, y: top, w: sheet.width - x, h: sheet.y - top, label, boxes, things, ground }
  sheet.treads.push(placed)
  return placed
}

/** Things that are on this segment by a way that no box here shows: a provider's own socket, say, or a guest's Wi-Fi. */
function strangers(sheet: Sheet, tread: Tread, origin: number, things: PlacedThing[], labelBottom: number) {
  const shown = new Set(things.map((thing) => thing.endpoint.id))
  const rest = sheet.home.things(tread).filter((thing) => !shown.has(thing.id))
  for (const [about, group] of byRadio(sheet, rest)) {
    const clear = !sheet.sizes.narrow && group.length > 2 ? labelBottom : sheet.y
    sheet.y = Math.max(sheet.y, clear) + 12
    if (about) {
      // On the air of a box that stands on another tread: guests, or a VLAN of their own.
      const id = `${about.box}/${about.ssid}`
      const label = { x: origin + radioColumn, y: sheet.y, ...about }
      sheet.radios.push({ id, x: origin + 13, y1: sheet.y - 6, y2: sheet.y + 14, label })
      sheet.y += 26
    }
    sheet.rows(group, origin + radioColumn, things)
  }
}

type OnAir = { ssid: string; box: string } | null

function byRadio(sheet: Sheet, rest: Endpoint[]): [OnAir, Endpoint[]][] {
  const groups = new Map<string, [OnAir, Endpoint[]]>()
  for (const thing of rest) {
    const box = sheet.home.boxOf(thing)
    const join = joinOf(thing)
    const about = box && join ? { ssid: join.ssid, box } : null
    const name = about ? `${about.box}/${about.ssid}` : ''
    const group = groups.get(name) ?? [about, []]
    group[1].push(thing)
    groups.set(name, group)
  }
  return [...groups.values()]
}
