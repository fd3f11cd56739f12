import type { Device, Tread } from '../../../api/types'
import { boxOn } from './boxes'
import { along, cableFrom, lanesFrom } from './cables'
import type { PlacedBox, PlacedThing, Point } from './placement'
import type { Sheet } from './sheet'
import { bandBoxW, bandGap, boxH, cardH, radioLane } from './sizes'

/** Boxes with little on them stand side by side, as many as the sheet is wide; one with much has a row to itself. */
export function bandsOf(sheet: Sheet, tread: Tread, origin: number): Device[][] {
  const most = Math.max(1, Math.floor((sheet.width - origin + bandGap - 4) / (bandBoxW + bandGap)))
  const bands: Device[][] = []
  let open: Device[] | null = null
  for (const id of tread.boxes) {
    const device = sheet.home.device(id)
    if (!device) continue
    if (most === 1 || !isSmall(sheet, device, tread)) {
      bands.push([device])
      open = null
    } else if (open && open.length < most) open.push(device)
    else {
      open = [device]
      bands.push(open)
    }
  }
  return bands
}

function isSmall(sheet: Sheet, device: Device, tread: Tread) {
  const radio = [...sheet.home.wirelessOn(device.id, tread).values()].reduce((n, list) => n + list.length, 0)
  return sheet.home.wiredOn(device.id, tread).length <= 3 && radio <= 3 && (device.ports ?? []).length <= 6
}

/**
 * A row of boxes. Under them lie the lanes of all their cables, under these each box's own things, one below the other; a second
 * plugged thing is reached down the left side of its column. Radio links come in from above.
 */
export function band(
  sheet: Sheet,
  devices: Device[],
  tread: Tread,
  origin: number,
  things: PlacedThing[],
): PlacedBox[] {
  const sky = { next: sheet.y }
  sheet.y += devices.reduce((sum, device) => sum + sheet.home.linksAt(device.id), 0) * radioLane
  const boxes = devices.map((device, i) => {
    sheet.keepSky(device.id, sky)
    return boxOn(sheet, device, tread, origin + i * (bandBoxW + bandGap), bandBoxW)
  })
  const below = lanesFrom(sheet.y + boxH + 18)
  const { next } = below
  for (const box of boxes) for (const port of box.ports) cableFrom(sheet, port, tread, box, next)
  const drops = boxes.map((box) =>
    sheet.home.wiredOn(box.device.id, tread).flatMap((thing) => {
      const port = sheet.portOf(thing)
      return port ? [{ thing, port, level: next() }] : []
    }),
  )
  const top = below.level + 6
  sheet.y = Math.max(top, ...boxes.map((box, i) => column(sheet, box, drops[i], tread, top, things)))
  return boxes
}

/** What hangs on one box of a row; returns how far down it goes. */
function column(
  sheet: Sheet,
  box: PlacedBox,
  drops: { thing: PlacedThing['endpoint']; port: { x: number; y: number }; level: number }[],
  tread: Tread,
  top: number,
  things: PlacedThing[],
): number {
  const x = box.x + 40
  const w = sheet.sizes.cardW
  let y = top
  drops.forEach((drop, n) => {
    const side = box.x + 24 + Math.min(n, 3) * 5
    const straight: Point[] = [...along(drop.port, drop.level, x + w / 2), [x + w / 2, y]]
    const bySide: Point[] = [...along(drop.port, drop.level, side), [side, y + cardH / 2], [x, y + cardH / 2]]
    sheet.thingWire(drop.thing, n === 0 ? straight : bySide)
    things.push({ endpoint: drop.thing, x, y, w, h: cardH })
    y += cardH + 10
  })
  for (const [ssid, members] of sheet.home.wirelessOn(box.device.id, tread)) {
    const from = (box.antenna?.[1] ?? box.y + boxH) + 6
    const label = { x, y, ssid, box: null }
    sheet.radios.push({ id: `${box.device.id}/${ssid}`, x: box.x + 13, y1: from, y2: y + 12, label })
    y += 24
    for (const endpoint of members) {
      things.push({ endpoint, x, y, w, h: cardH })
      y += cardH + 10
    }
  }
  return y
}
