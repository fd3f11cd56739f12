import type { Device, Port, Step, Tread } from '../../../api/types'
import { cableDownTo } from './cables'
import type { PlacedBox } from './placement'
import type { Sheet } from './sheet'
import { boxH } from './sizes'

/** A router on the edge of its step: WAN on the upper edge, LAN on the lower, which is the tread's. */
export function stepBox(sheet: Sheet, step: Step, tread: Tread, x: number): PlacedBox {
  const device = sheet.home.device(step.device) as Device
  const fromY = sheet.y
  sheet.y += step.upper === null ? 34 : 46
  const lans = (device.ports ?? []).filter((port) => port.role === 'lan')
  const wans = (device.ports ?? []).filter((port) => port.role === 'wan')
  const w = widthFor(sheet, x, sheet.sizes.boxW, 56 + lans.length * (sheet.sizes.narrow ? 46 : 26))
  const box: PlacedBox = {
    ...bare(sheet, device, tread, x, w),
    step,
    bar: { x: x + 20, y1: fromY, y2: sheet.y + boxH },
    words: { x: x + w + 16, y: sheet.y + 22, w: sheet.width - x - w - 20 },
  }
  sheet.y += boxH
  wans.forEach((port, i) => {
    addPort(sheet, box, port, x + w - 56 - (wans.length - 1 - i) * 44, 'top', sheet.sizes.hit)
  })
  lowerPorts(sheet, box, lans)
  cableDownTo(sheet, box, fromY)
  return box
}

/** Any other box stands on its tread, every socket on its lower edge. */
export function boxOn(
  sheet: Sheet,
  device: Device,
  tread: Tread,
  x: number,
  width = sheet.sizes.boxW,
): PlacedBox {
  const ports = device.ports ?? []
  const w = widthFor(sheet, x, width, 46 + ports.length * (sheet.sizes.narrow ? 46 : 23))
  const box = bare(sheet, device, tread, x, w)
  lowerPorts(sheet, box, ports)
  return box
}

/** On a phone a socket is never narrower than a thumb: a switch of many is wider than the screen, and the sheet is pushed sideways. */
const widthFor = (sheet: Sheet, x: number, least: number, ports: number) =>
  sheet.sizes.narrow ? Math.max(least, ports) : Math.min(Math.max(least, ports), sheet.width - x - 4)

function bare(sheet: Sheet, device: Device, tread: Tread, x: number, w: number): PlacedBox {
  const hasVisitors = sheet.home.wirelessOn(device.id, tread).size > 0
  return {
    device,
    step: null,
    x,
    y: sheet.y,
    w,
    h: boxH,
    ports: [],
    antenna: hasVisitors ? [x + 13, sheet.y + boxH] : null,
    bar: null,
    words: null,
  }
}

function lowerPorts(sheet: Sheet, box: PlacedBox, ports: Port[]) {
  const { leastPitch, mostPitch, hit } = sheet.sizes
  const pitch = Math.max(leastPitch, Math.min(mostPitch, (box.w - 46) / Math.max(1, ports.length)))
  ports.forEach((port, i) => {
    addPort(sheet, box, port, box.x + 46 + i * pitch, 'bottom', hit)
  })
}

function addPort(sheet: Sheet, box: PlacedBox, port: Port, x: number, edge: 'top' | 'bottom', hit: number) {
  const socket = { device: box.device.id, port: port.id }
  sheet.addPort(box, { socket, port, x, y: edge === 'top' ? box.y : box.y + box.h, edge, hit })
}
