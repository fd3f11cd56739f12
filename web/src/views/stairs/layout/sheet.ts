import { plugOf } from '../../../api/attachment'
import type { Endpoint, Step, Tread } from '../../../api/types'
import { type Home, key } from './home'
import type { PlacedBox, PlacedPort, PlacedThing, PlacedTread, Point, RadioRun, Wire } from './placement'
import { cardH, lane, radioColumn, type Sizes, sizesFor } from './sizes'

/** The paper while it is drawn on: how far down it is used, which gutters and lanes are taken, what stands where. */
export class Sheet {
  y = 0
  readonly sizes: Sizes
  readonly treads: PlacedTread[] = []
  readonly wires: Wire[] = []
  readonly radios: RadioRun[] = []
  private readonly ports = new Map<string, PlacedPort>()
  /** Cables whose first end has left into a gutter and waits there for the other end. */
  private readonly waiting = new Map<string, { gutter: number; from: Point[] }>()
  /** The next free lane for radio links above the row that a box stands in. */
  private readonly skies = new Map<string, { next: number }>()
  private readonly gutters = new Map<string, { next: number }>()

  constructor(
    readonly home: Home,
    readonly width: number,
  ) {
    this.sizes = sizesFor(width)
  }

  /** Cards that stand side by side in so much room. */
  columns(room: number) {
    return Math.max(1, Math.floor((room + this.sizes.gap) / (this.sizes.cardW + this.sizes.gap)))
  }

  addPort(box: PlacedBox, port: PlacedPort) {
    box.ports.push(port)
    this.ports.set(key(port.socket), port)
  }

  portOf(thing: Endpoint): PlacedPort | undefined {
    const plug = plugOf(thing)
    return plug ? this.ports.get(key(plug)) : undefined
  }

  /** Leaves room left of everything on the tread, a lane for each run; returns where the rest begins. */
  openGutter(tread: Tread, step: Step | null, x: number): number {
    const room = this.width - radioColumn - 40
    const here = new Set([...tread.boxes, ...(step ? [step.device] : [])])
    const overflow = [...here].reduce(
      (sum, id) => sum + Math.max(0, this.home.wiredOn(id, tread).length - this.columns(room)),
      0,
    )
    const origin = x + 14 + lane * (this.home.runsInGutter(tread, step) + overflow)
    this.gutters.set(tread.segment, { next: origin - 8 })
    return origin
  }

  takeGutter(segment: string, without: number): number {
    const gutter = this.gutters.get(segment)
    const slot = gutter?.next ?? without
    if (gutter) gutter.next -= lane
    return slot
  }

  keepSky(device: string, sky: { next: number }) {
    this.skies.set(device, sky)
  }

  skyOf(device: string) {
    return this.skies.get(device)
  }

  wait(cable: string, gutter: number, from: Point[]) {
    this.waiting.set(cable, { gutter, from })
  }

  waitingFor(cable: string) {
    return this.waiting.get(cable)
  }

  /** The second end of a cable is reached. */
  finish(id: string, points: Point[]) {
    const cable = this.home.cable(id)
    this.waiting.delete(id)
    if (!cable) return
    const medium = cable.medium === 'powerline' || cable.medium === 'coax' ? cable.medium : 'cable'
    // A cable may be called anything, “line” too.
    this.wires.push({ id: `cable-${id}`, kind: medium, points, ends: [cable.a.device, cable.b.device] })
  }

  thingWire(thing: Endpoint, points: Point[]) {
    this.wires.push({
      id: `to-${thing.id}`,
      kind: 'cable',
      points,
      ends: [thing.id, plugOf(thing)?.device ?? ''],
    })
  }

  /** Cards in rows, as many a row as the sheet is wide; `zone` is room kept above each row, `told` where each card's top is. */
  rows(
    list: Endpoint[],
    x0: number,
    things: PlacedThing[],
    zone: (count: number) => number = () => 0,
    told?: (thing: Endpoint, top: Point) => void,
  ) {
    const perRow = this.columns(this.width - x0 - 6)
    for (let at = 0; at < list.length; at += perRow) {
      const row = list.slice(at, at + perRow)
      this.y += zone(row.length)
      row.forEach((endpoint, i) => {
        const x = x0 + i * (this.sizes.cardW + this.sizes.gap)
        things.push({ endpoint, x, y: this.y, w: this.sizes.cardW, h: cardH })
        told?.(endpoint, [x + this.sizes.cardW / 2, this.y])
      })
      this.y += cardH + 10
    }
  }
}
