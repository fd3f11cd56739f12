import type { Device, Endpoint, House, Port, Socket, Stairs, Step, Tread, UplinkView } from '../../api/types'

/** A point of the sheet, in CSS pixels from its top left corner. */
export type Point = [x: number, y: number]

export type PlacedPort = { socket: Socket; port: Port; x: number; y: number; edge: 'top' | 'bottom' }
export type PlacedBox = {
  device: Device
  step: Step | null
  x: number
  y: number
  w: number
  h: number
  ports: PlacedPort[]
  /** Where its Wi-Fi leaves the box; null when it makes none that anything is on. */
  antenna: Point | null
  /** The thick bar of a step down, and the room for its words. */
  bar: { x: number; y1: number; y2: number } | null
  words: { x: number; y: number; w: number } | null
}
export type PlacedThing = { endpoint: Endpoint; x: number; y: number; w: number; h: number }
export type PlacedTread = {
  tread: Tread
  x: number
  y: number
  w: number
  h: number
  label: { x: number; y: number; w: number; right: boolean }
  boxes: PlacedBox[]
  things: PlacedThing[]
  ground: number
}
export type Wire = {
  id: string
  kind: 'cable' | 'powerline' | 'coax' | 'line'
  points: Point[]
  ends: string[]
}
export type RadioRun = {
  id: string
  x: number
  y1: number
  y2: number
  /** The box is named where the label does not stand right under it. */
  label: { x: number; y: number; ssid: string; box: string | null }
}
/** A box that joins another by radio: arcs along the way from the one to the other. */
export type RadioLink = { id: string; points: Point[]; from: string; to: string }
export type Placement = {
  width: number
  height: number
  street: { y: number; treadY: number | null }
  treads: PlacedTread[]
  wires: Wire[]
  radios: RadioRun[]
  links: RadioLink[]
  loose: { y: number; ids: string[] } | null
}

const lane = 8
const cardH = 48
const boxH = 92
/** Room at the right of a tread for its lettering. */
const letterW = 286
const radioColumn = 32
/** Between boxes that stand side by side, and between radio links above them. */
const bandGap = 14
const bandBoxW = 188
const radioLane = 11

type Sizes = { narrow: boolean; cardW: number; gap: number; boxW: number; indent: number; labelH: number }

const sizesFor = (width: number): Sizes =>
  width < 560
    ? { narrow: true, cardW: 134, gap: 10, boxW: 196, indent: 12, labelH: 8 }
    : { narrow: false, cardW: 146, gap: 16, boxW: 232, indent: 52, labelH: 64 }

const key = (socket: Socket) => `${socket.device}:${socket.port}`

/**
 * Places everything: nobody arranges boxes. A cable leaves its socket downwards into a lane of its own, runs level there, and
 * either drops onto its card or goes to the gutter left of all cards, down, and in again by a lane. So no line crosses a card or a
 * word.
 */
export function place(
  house: House,
  stairs: Stairs,
  joined: Map<string, string>,
  width: number,
  uplinks: UplinkView[] = [],
): Placement {
  // A house of many boxes has a gutter wider than a phone: then the sheet is wider than the screen and is pushed sideways.
  for (let wide = width; ; wide += 80) {
    const placed = new Placer(house, stairs, joined, wide, uplinks).run()
    const right = (card: { x: number; w: number }) => card.x + card.w
    const most = Math.max(
      0,
      ...placed.treads.flatMap((tread) => [...tread.boxes, ...tread.things].map(right)),
    )
    if (most <= wide || wide > width + 4000) return placed
  }
}

class Placer {
  private readonly sizes: Sizes
  private readonly devices: Map<string, Device>
  private readonly endpoints: Map<string, Endpoint>
  private readonly ports = new Map<string, PlacedPort>()
  private readonly treads: PlacedTread[] = []
  private readonly wires: Wire[] = []
  private readonly radios: RadioRun[] = []
  /** Cables whose first end has left into a gutter and waits there for the other end. */
  private readonly waiting = new Map<string, { gutter: number; from: Point[] }>()
  /** The next free lane for radio links above the row that a box stands in. */
  private readonly skies = new Map<string, { next: number }>()
  private readonly gutters = new Map<string, { next: number }>()
  private y = 0

  constructor(
    private readonly house: House,
    private readonly stairs: Stairs,
    private readonly joined: Map<string, string>,
    private readonly width: number,
    private readonly uplinks: UplinkView[],
  ) {
    this.sizes = sizesFor(width)
    this.devices = new Map((house.devices ?? []).map((device) => [device.id, device]))
    this.endpoints = new Map((house.endpoints ?? []).map((endpoint) => [endpoint.id, endpoint]))
  }

  run(): Placement {
    const streetY = 36
    this.y = streetY
    const provider = this.stairs.treads.find((tread) => tread.depth === 0)
    const busyStreet = provider && (provider.boxes.length > 0 || provider.things.length > 0)
    const treadY: number | null = null
    if (provider && busyStreet) {
      this.y += 18
      this.treadFor(provider, null, 0)
    }
    const tops = this.stairs.treads.filter(
      (tread) => tread.depth > 0 && (!tread.parent || tread.parent === provider?.segment),
    )
    for (const tread of tops) this.descend(tread, busyStreet ? this.sizes.indent : 0)
    const links = this.radioLinks()
    let loose: Placement['loose'] = null
    if (this.stairs.loose.length > 0) {
      this.y += 28
      loose = { y: this.y, ids: this.stairs.loose }
      this.y += 30 + Math.ceil(this.stairs.loose.length / this.columns(this.width)) * (cardH + 10)
    }
    return {
      width: this.width,
      height: this.y + 16,
      street: { y: streetY, treadY },
      treads: this.treads,
      wires: this.wires,
      radios: this.radios,
      links,
      loose,
    }
  }

  private descend(tread: Tread, x: number) {
    const step = this.stairs.steps.find((one) => one.lower === tread.segment) ?? null
    const placed = this.treadFor(tread, step, x)
    const inner = placed.boxes[0] ? placed.boxes[0].x : placed.x
    for (const child of this.stairs.treads.filter((one) => one.parent === tread.segment))
      this.descend(child, Math.max(x + this.sizes.indent, inner + 4))
  }

  private columns(room: number) {
    return Math.max(1, Math.floor((room + this.sizes.gap) / (this.sizes.cardW + this.sizes.gap)))
  }

  /** Cables that will need the gutter of a tread: between boxes, to a router below, and to cards past the first row. */
  private gutterNeed(tread: Tread, step: Step | null): number {
    const here = new Set([...tread.boxes, ...(step ? [step.device] : [])])
    const below = new Set(
      this.stairs.steps.filter((one) => one.upper === tread.segment).map((one) => one.device),
    )
    const cables = (this.house.cables ?? []).filter((cable) => {
      const ends = [cable.a.device, cable.b.device]
      return ends.some((end) => here.has(end)) && ends.every((end) => here.has(end) || below.has(end))
    }).length
    const line = this.house.line && this.lineEntersBelow(this.house.line.device, here, step) ? 1 : 0
    const radio = this.uplinks.filter((one) => here.has(one.joined)).length
    const room = this.width - radioColumn - 40
    const overflow = [...here].reduce(
      (sum, id) => sum + Math.max(0, this.wiredOn(id, tread).length - this.columns(room)),
      0,
    )
    return cables + overflow + line + radio
  }

  /** A step has its WAN sockets on the upper edge, where the line falls straight; every other socket is below. */
  private lineEntersBelow(device: string, here: Set<string>, step: Step | null): boolean {
    if (!here.has(device)) return false
    const port = this.devices.get(device)?.ports?.find((one) => one.id === this.house.line?.port)
    return step?.device !== device || port?.role === 'lan'
  }

  private wiredOn(device: string, tread: Tread): Endpoint[] {
    const order = (this.devices.get(device)?.ports ?? []).map((port) => port.id)
    return tread.things
      .map((id) => this.endpoints.get(id))
      .filter((thing): thing is Endpoint => thing?.connect?.device === device)
      .sort((a, b) => order.indexOf(a.connect?.port ?? '') - order.indexOf(b.connect?.port ?? ''))
  }

  private wirelessOn(device: string, tread: Tread): Map<string, Endpoint[]> {
    const groups = new Map<string, Endpoint[]>()
    for (const id of tread.things) {
      const thing = this.endpoints.get(id)
      if (!thing?.connect?.ssid || this.joined.get(id) !== device) continue
      groups.set(thing.connect.ssid, [...(groups.get(thing.connect.ssid) ?? []), thing])
    }
    return groups
  }

  private treadFor(tread: Tread, step: Step | null, x: number): PlacedTread {
    const need = this.gutterNeed(tread, step)
    const gutter = 14 + lane * need
    const origin = x + gutter
    this.gutters.set(tread.segment, { next: x + gutter - 8 })
    const boxes: PlacedBox[] = []
    const things: PlacedThing[] = []
    if (step) boxes.push(this.stepBox(step, tread, origin))
    const top = this.y
    const router = boxes[0]
    const right = !this.sizes.narrow
    const clear = router ? router.x + router.w + 12 : origin
    const label = right
      ? {
          x: Math.max(clear, this.width - letterW),
          y: top + 8,
          w: Math.min(letterW, this.width - clear) - 12,
          right: true,
        }
      : { x: origin, y: 0, w: this.width - origin - 8, right: false }
    this.y = top + (right ? 6 : step ? 6 : this.sizes.narrow ? 8 : 12)
    const labelBottom = top + this.sizes.labelH

    if (step) this.cluster(boxes[0], tread, things, right ? labelBottom : this.y)
    for (const band of this.bands(tread, origin)) {
      this.y = Math.max(this.y, right ? labelBottom : this.y) + 14
      if (band.length > 1) {
        boxes.push(...this.band(band, tread, origin, things))
        continue
      }
      this.skies.set(band[0].id, { next: this.y })
      this.y += this.linksAt(band[0].id) * radioLane
      const box = this.boxOn(band[0], tread, origin)
      boxes.push(box)
      this.y = box.y + box.h
      this.cluster(box, tread, things, this.y)
    }
    // Things that are on this segment by a way that no box here shows (a provider's own socket, say).
    const shown = new Set(things.map((thing) => thing.endpoint.id))
    const rest = tread.things
      .map((id) => this.endpoints.get(id))
      .filter((thing): thing is Endpoint => thing !== undefined && !shown.has(thing.id))
    for (const [about, group] of this.byRadio(rest)) {
      this.y = Math.max(this.y, right && group.length > 2 ? labelBottom : this.y) + 12
      if (about) {
        // On the air of a box that stands on another tread: guests, or a VLAN of their own.
        const id = `${about.box}/${about.ssid}`
        const label = { x: origin + radioColumn, y: this.y, ...about }
        this.radios.push({ id, x: origin + 13, y1: this.y - 6, y2: this.y + 14, label })
        this.y += 26
      }
      this.rows(group, origin + radioColumn, things, () => 0)
    }
    this.y = Math.max(this.y + 14, right ? labelBottom + 8 : 0)
    if (!right) {
      label.y = this.y
      this.y += 62
    }
    const placed: PlacedTread = {
      tread,
      x,
      y: top,
      w: this.width - x,
      h: this.y - top,
      label,
      boxes,
      things,
      ground: this.treads.length % 5,
    }
    this.treads.push(placed)
    return placed
  }

  private byRadio(rest: Endpoint[]): [{ ssid: string; box: string } | null, Endpoint[]][] {
    const groups = new Map<string, [{ ssid: string; box: string } | null, Endpoint[]]>()
    for (const thing of rest) {
      const box = thing.connect?.ssid ? this.joined.get(thing.id) : undefined
      const about = box && thing.connect?.ssid ? { ssid: thing.connect.ssid, box } : null
      const name = about ? `${about.box}/${about.ssid}` : ''
      const group = groups.get(name) ?? [about, []]
      group[1].push(thing)
      groups.set(name, group)
    }
    return [...groups.values()]
  }

  /** From the box that is joined, down its tread's gutter, to the box that joins. */
  private radioLinks(): RadioLink[] {
    const boxes = new Map<string, { box: PlacedBox; tread: string }>()
    for (const tread of this.treads)
      for (const box of tread.boxes) boxes.set(box.device.id, { box, tread: tread.tread.segment })
    const used = new Map<string, number>()
    // A step has clear ground on its left; any other box is met from above, where its row keeps a lane free.
    const end = (id: string, box: PlacedBox, slot: number): Point[] => {
      const n = used.get(id) ?? 0
      used.set(id, n + 1)
      const sky = this.skies.get(id)
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
    return this.uplinks.flatMap((link) => {
      const [far, own] = [boxes.get(link.joined), boxes.get(link.box)]
      if (!far || !own) return []
      const gutter = this.gutters.get(far.tread)
      const slot = gutter?.next ?? far.box.x - 10
      if (gutter) gutter.next -= lane
      const points = [...end(link.joined, far.box, slot).reverse(), ...end(link.box, own.box, slot)]
      return [{ id: `up-${link.box}`, from: link.joined, to: link.box, points }]
    })
  }

  private linksAt(device: string) {
    return this.uplinks.filter((one) => one.box === device || one.joined === device).length
  }

  /** Boxes with little on them stand side by side, as many as the sheet is wide; one with much has a row to itself. */
  private bands(tread: Tread, origin: number): Device[][] {
    const most = Math.max(1, Math.floor((this.width - origin + bandGap - 4) / (bandBoxW + bandGap)))
    const bands: Device[][] = []
    let open: Device[] | null = null
    for (const id of tread.boxes) {
      const device = this.devices.get(id)
      if (!device) continue
      const radio = [...this.wirelessOn(id, tread).values()].reduce((sum, list) => sum + list.length, 0)
      const isSmall = this.wiredOn(id, tread).length <= 3 && radio <= 3 && (device.ports ?? []).length <= 6
      if (most === 1 || !isSmall) {
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

  /**
   * A row of boxes. Under them lie the lanes of all their cables, under these each box's own things, one below the other; a second
   * plugged thing is reached down the left side of its column. Radio links come in from above.
   */
  private band(devices: Device[], tread: Tread, origin: number, things: PlacedThing[]): PlacedBox[] {
    const sky = this.y
    this.y += devices.reduce((sum, device) => sum + this.linksAt(device.id), 0) * radioLane
    const shared = { next: sky }
    const pitch = bandBoxW + bandGap
    const top = this.y
    const boxes = devices.map((device, i) => {
      this.y = top
      const box = this.boxOn(device, tread, origin + i * pitch, bandBoxW)
      this.skies.set(device.id, shared)
      return box
    })
    let level = top + boxH + 18
    const next = () => {
      level += lane
      return level - lane
    }
    for (const box of boxes) for (const port of box.ports) this.cableFrom(port, tread, box, next)
    const drops = boxes.map((box) =>
      this.wiredOn(box.device.id, tread).flatMap((thing) => {
        const port = this.ports.get(`${thing.connect?.device}:${thing.connect?.port}`)
        return port ? [{ thing, port, level: next() }] : []
      }),
    )
    let bottom = level + 6
    boxes.forEach((box, i) => {
      const x0 = box.x + 40
      let y = level + 6
      drops[i].forEach((drop, n) => {
        const side = box.x + 24 + Math.min(n, 3) * 5
        const start: Point[] = [
          [drop.port.x, drop.port.y],
          [drop.port.x, drop.level],
        ]
        this.thingWire(
          drop.thing,
          n === 0
            ? [...start, [x0 + this.sizes.cardW / 2, drop.level], [x0 + this.sizes.cardW / 2, y]]
            : [...start, [side, drop.level], [side, y + cardH / 2], [x0, y + cardH / 2]],
        )
        things.push({ endpoint: drop.thing, x: x0, y, w: this.sizes.cardW, h: cardH })
        y += cardH + 10
      })
      for (const [ssid, members] of this.wirelessOn(box.device.id, tread)) {
        const label = { x: x0, y, ssid, box: null }
        const from = (box.antenna?.[1] ?? box.y + boxH) + 6
        this.radios.push({ id: `${box.device.id}/${ssid}`, x: box.x + 13, y1: from, y2: y + 12, label })
        y += 24
        for (const endpoint of members) {
          things.push({ endpoint, x: x0, y, w: this.sizes.cardW, h: cardH })
          y += cardH + 10
        }
      }
      bottom = Math.max(bottom, y)
    })
    this.y = bottom
    return boxes
  }

  /** What leaves a socket on a lower edge for another box: down into a lane, along it to the gutter, or in from there. */
  private cableFrom(port: PlacedPort, tread: Tread, box: PlacedBox, next: () => number) {
    const cable = this.cableAt(port.socket)
    const line = this.house.line?.device === port.socket.device && this.house.line.port === port.socket.port
    if (!cable && !line) return
    const level = next()
    const wait = cable && this.waiting.get(cable.id)
    if (cable && wait)
      return this.finish(cable.id, [...wait.from, [wait.gutter, level], [port.x, level], [port.x, port.y]])
    const slot = this.takeGutter(tread, box)
    const start: Point[] = [
      [port.x, port.y],
      [port.x, level],
      [slot, level],
    ]
    if (cable) this.waiting.set(cable.id, { gutter: slot, from: start })
    else this.wires.push({ id: 'line', kind: 'line', points: [...start, [slot, 36]], ends: [box.device.id] })
  }

  private takeGutter(tread: Tread, box: PlacedBox): number {
    const gutter = this.gutters.get(tread.segment)
    const slot = gutter?.next ?? box.x - 8
    if (gutter) gutter.next -= lane
    return slot
  }

  /** A router on the edge of its step: WAN on the upper edge, LAN on the lower, which is the tread's. */
  private stepBox(step: Step, tread: Tread, x: number): PlacedBox {
    const device = this.devices.get(step.device) as Device
    const fromY = this.y
    this.y += step.upper === null ? 34 : 46
    const lans = (device.ports ?? []).filter((port) => port.role === 'lan')
    const wans = (device.ports ?? []).filter((port) => port.role === 'wan')
    const w = Math.min(Math.max(this.sizes.boxW, 56 + lans.length * 26), this.width - x - 4)
    const box: PlacedBox = {
      device,
      step,
      x,
      y: this.y,
      w,
      h: boxH,
      ports: [],
      antenna: this.wirelessOn(device.id, tread).size > 0 ? [x + 13, this.y + boxH] : null,
      bar: { x: x + 20, y1: fromY, y2: this.y + boxH },
      words: { x: x + w + 16, y: this.y + 22, w: this.width - x - w - 20 },
    }
    this.y += boxH
    wans.forEach((port, i) => {
      this.addPort(box, port, x + w - 56 - (wans.length - 1 - i) * 44, box.y, 'top')
    })
    this.bottomPorts(box, lans)
    this.feed(box, fromY)
    return box
  }

  private boxOn(device: Device, tread: Tread, origin: number, width = this.sizes.boxW): PlacedBox {
    const ports = device.ports ?? []
    const w = Math.min(Math.max(width, 44 + ports.length * 23), this.width - origin - 4)
    const box: PlacedBox = {
      device,
      step: null,
      x: origin,
      y: this.y,
      w,
      h: boxH,
      ports: [],
      antenna: this.wirelessOn(device.id, tread).size > 0 ? [origin + 13, this.y + boxH] : null,
      bar: null,
      words: null,
    }
    this.bottomPorts(box, ports)
    return box
  }

  private bottomPorts(box: PlacedBox, ports: Port[]) {
    const room = box.w - 40
    const pitch = Math.max(20, Math.min(36, room / Math.max(1, ports.length)))
    ports.forEach((port, i) => {
      this.addPort(box, port, box.x + 46 + i * pitch, box.y + box.h, 'bottom')
    })
  }

  private addPort(box: PlacedBox, port: Port, x: number, y: number, edge: 'top' | 'bottom') {
    const placed = { socket: { device: box.device.id, port: port.id }, port, x, y, edge }
    box.ports.push(placed)
    this.ports.set(key(placed.socket), placed)
  }

  /** What comes in at the top: the line straight from the street, a cable from the gutter of the tread above. */
  private feed(box: PlacedBox, above: number) {
    for (const port of box.ports.filter((one) => one.edge === 'top')) {
      const line = this.house.line
      if (line && line.device === box.device.id && line.port === port.socket.port)
        this.wires.push({
          id: 'line',
          kind: 'line',
          points: [
            [port.x, 36],
            [port.x, port.y],
          ],
          ends: [box.device.id],
        })
      const cable = this.cableAt(port.socket)
      if (!cable) continue
      const wait = this.waiting.get(cable.id)
      if (!wait) continue
      const level = Math.max(above, box.y - 24)
      this.finish(cable.id, [...wait.from, [wait.gutter, level], [port.x, level], [port.x, port.y]])
    }
  }

  private cableAt(socket: Socket) {
    return (this.house.cables ?? []).find(
      (cable) => key(cable.a) === key(socket) || key(cable.b) === key(socket),
    )
  }

  private finish(id: string, points: Point[]) {
    const cable = (this.house.cables ?? []).find((one) => one.id === id)
    this.waiting.delete(id)
    if (!cable) return
    const medium = cable.medium === 'powerline' || cable.medium === 'coax' ? cable.medium : 'cable'
    this.wires.push({ id, kind: medium, points, ends: [cable.a.device, cable.b.device] })
  }

  /** A box's own cables and things, from its lower edge down. */
  private cluster(box: PlacedBox, tread: Tread, things: PlacedThing[], clearOf: number) {
    const wired = this.wiredOn(box.device.id, tread)
    const x0 = box.x + radioColumn
    const perRow = this.columns(this.width - x0 - 6)
    const first = wired.slice(0, perRow)
    const later = wired.slice(perRow)
    const cables = box.ports
      .filter((port) => port.edge === 'bottom')
      .map((port) => ({ port, cable: this.cableAt(port.socket) }))
      .filter((one) => one.cable !== undefined)

    const right: { port: PlacedPort; x: number; thing: Endpoint }[] = []
    const left: typeof right = []
    first.forEach((thing, i) => {
      const port = this.ports.get(`${thing.connect?.device}:${thing.connect?.port}`)
      if (!port) return
      const x = x0 + i * (this.sizes.cardW + this.sizes.gap) + this.sizes.cardW / 2
      ;(x >= port.x ? right : left).push({ port, x, thing })
    })
    right.sort((a, b) => b.port.x - a.port.x)
    left.sort((a, b) => a.port.x - b.port.x)
    const outgoing = cables.sort((a, b) => a.port.x - b.port.x)
    const line = box.ports.find(
      (port) =>
        port.edge === 'bottom' &&
        this.house.line?.device === port.socket.device &&
        this.house.line.port === port.socket.port,
    )
    const laterPorts = later
      .map((thing) => ({ thing, port: this.ports.get(`${thing.connect?.device}:${thing.connect?.port}`) }))
      .filter((one): one is { thing: Endpoint; port: PlacedPort } => one.port !== undefined)

    const lanes = right.length + left.length + outgoing.length + laterPorts.length + (line ? 1 : 0)
    // Beside the lettering there is room as long as nothing reaches under it.
    const rightmost = x0 + first.length * (this.sizes.cardW + this.sizes.gap) - this.sizes.gap
    const isClear = first.length > 0 && rightmost < this.width - letterW - 8
    const base = isClear ? box.y + box.h + 18 : Math.max(box.y + box.h + 18, clearOf + 4)
    let level = base
    const drops: { thing: Endpoint; points: Point[]; x: number }[] = []
    for (const one of [...right, ...left]) {
      drops.push({
        thing: one.thing,
        x: one.x,
        points: [
          [one.port.x, one.port.y],
          [one.port.x, level],
          [one.x, level],
        ],
      })
      level += lane
    }
    const next = () => {
      level += lane
      return level - lane
    }
    for (const { port } of outgoing) this.cableFrom(port, tread, box, next)
    if (line) this.cableFrom(line, tread, box, next)
    const climbs = laterPorts.map(({ thing, port }) => {
      const slot = this.takeGutter(tread, box)
      const points: Point[] = [
        [port.x, port.y],
        [port.x, level],
        [slot, level],
      ]
      level += lane
      return { thing, slot, points }
    })

    this.y = lanes > 0 ? level + 6 : Math.max(box.y + box.h + 14, clearOf)
    const firstTop = this.y
    this.rows(first, x0, things, () => 0)
    for (const drop of drops) this.thingWire(drop.thing, [...drop.points, [drop.x, firstTop]])
    if (later.length > 0) {
      this.y += 8
      const rowOf = new Map<string, Point>()
      this.rows(
        later,
        x0,
        things,
        (count) => count * lane + 6,
        (thing, point) => rowOf.set(thing.id, point),
      )
      let used = 0
      let lastTop = -1
      for (const climb of climbs) {
        const at = rowOf.get(climb.thing.id)
        if (!at) continue
        used = at[1] === lastTop ? used + 1 : 1
        lastTop = at[1]
        const enter = at[1] - 4 - used * lane
        this.thingWire(climb.thing, [...climb.points, [climb.slot, enter], [at[0], enter], at])
      }
    }
    this.radioGroups(box, tread, things, x0)
  }

  private thingWire(thing: Endpoint, points: Point[]) {
    this.wires.push({
      id: `to-${thing.id}`,
      kind: 'cable',
      points,
      ends: [thing.id, thing.connect?.device ?? ''],
    })
  }

  private radioGroups(box: PlacedBox, tread: Tread, things: PlacedThing[], x0: number) {
    if (!box.antenna) return
    for (const [ssid, members] of this.wirelessOn(box.device.id, tread)) {
      this.y += 10
      this.radios.push({
        id: `${box.device.id}/${ssid}`,
        x: box.antenna[0],
        y1: box.antenna[1] + 6,
        y2: this.y + 12,
        // On a phone there is no room to say whose it is; the arcs say so.
        label: { x: x0, y: this.y, ssid, box: this.sizes.narrow ? null : box.device.id },
      })
      this.y += 26
      this.rows(members, x0, things, () => 0)
    }
  }

  private rows(
    list: Endpoint[],
    x0: number,
    things: PlacedThing[],
    zone: (count: number) => number,
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
