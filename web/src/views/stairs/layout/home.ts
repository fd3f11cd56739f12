import { joinOf, plugOf } from '../../../api/attachment'
import type {
  Cable,
  Device,
  Endpoint,
  House,
  Socket,
  Stairs,
  Step,
  Tread,
  UplinkView,
} from '../../../api/types'

export const key = (socket: Socket) => `${socket.device}:${socket.port}`

/** By a key that several have, in their order. */
function grouped<T>(all: T[], keyOf: (one: T) => string | null | undefined): Map<string, T[]> {
  const groups = new Map<string, T[]>()
  for (const one of all) {
    const name = keyOf(one)
    if (name == null) continue
    const group = groups.get(name)
    if (group) group.push(one)
    else groups.set(name, [one])
  }
  return groups
}

/** The house and what the server computed of it, asked the way one asks who draws it. Everything is looked up: a big house asks thousands of times. */
export class Home {
  private readonly devices: Map<string, Device>
  private readonly endpoints: Map<string, Endpoint>
  private readonly cables = new Map<string, Cable>()
  private readonly bySocket = new Map<string, Cable>()
  private readonly byBox = new Map<string, Cable[]>()
  private readonly stepsDown: Map<string, Step[]>
  private readonly stepsFrom: Map<string, Step[]>
  private readonly children: Map<string, Tread[]>
  private readonly onTread = new Map<Tread, { all: Endpoint[]; byBox: Map<string, Endpoint[]> }>()

  constructor(
    readonly house: House,
    readonly stairs: Stairs,
    private readonly joined: Map<string, string>,
    readonly uplinks: UplinkView[],
  ) {
    this.devices = new Map((house.devices ?? []).map((device) => [device.id, device]))
    this.endpoints = new Map((house.endpoints ?? []).map((endpoint) => [endpoint.id, endpoint]))
    for (const cable of house.cables ?? []) {
      if (!this.cables.has(cable.id)) this.cables.set(cable.id, cable)
      for (const end of [cable.a, cable.b])
        if (!this.bySocket.has(key(end))) this.bySocket.set(key(end), cable)
      for (const box of new Set([cable.a.device, cable.b.device]))
        this.byBox.set(box, [...(this.byBox.get(box) ?? []), cable])
    }
    this.stepsDown = grouped(stairs.steps, (step) => step.lower)
    this.stepsFrom = grouped(stairs.steps, (step) => step.upper)
    this.children = grouped(stairs.treads, (tread) => tread.parent)
  }

  device(id: string): Device | undefined {
    return this.devices.get(id)
  }

  /** The router whose step leads down to the tread. */
  stepTo(tread: Tread): Step | null {
    return this.stepsDown.get(tread.segment)?.[0] ?? null
  }

  below(tread: Tread): Tread[] {
    return this.children.get(tread.segment) ?? []
  }

  things(tread: Tread): Endpoint[] {
    return this.on(tread).all
  }

  /** What is plugged into the box on that tread, in the order of its sockets. */
  wiredOn(device: string, tread: Tread): Endpoint[] {
    const order = (this.device(device)?.ports ?? []).map((port) => port.id)
    return (this.on(tread).byBox.get(device) ?? [])
      .filter((thing) => plugOf(thing))
      .sort((a, b) => order.indexOf(plugOf(a)?.port ?? '') - order.indexOf(plugOf(b)?.port ?? ''))
  }

  /** What has joined the box's Wi-Fi on that tread, by name. */
  wirelessOn(device: string, tread: Tread): Map<string, Endpoint[]> {
    return grouped(this.on(tread).byBox.get(device) ?? [], (thing) => joinOf(thing)?.ssid)
  }

  private on(tread: Tread) {
    const known = this.onTread.get(tread)
    if (known) return known
    const all = tread.things
      .map((id) => this.endpoints.get(id))
      .filter((thing): thing is Endpoint => thing !== undefined)
    const byBox = grouped(all, (thing) => plugOf(thing)?.device ?? this.boxOf(thing))
    this.onTread.set(tread, { all, byBox })
    return { all, byBox }
  }

  /** The box whose Wi-Fi the thing is on. */
  boxOf(thing: Endpoint): string | undefined {
    return joinOf(thing) ? this.joined.get(thing.id) : undefined
  }

  cableAt(socket: Socket): Cable | undefined {
    return this.bySocket.get(key(socket))
  }

  cable(id: string): Cable | undefined {
    return this.cables.get(id)
  }

  isLine(socket: Socket): boolean {
    return this.house.line?.device === socket.device && this.house.line.port === socket.port
  }

  /** Radio links that end at the box, at either end. */
  linksAt(device: string): number {
    return this.uplinks.filter((one) => one.box === device || one.joined === device).length
  }

  /** Cables, the line and radio links that will need the gutter of a tread, not counting cards past a first row. */
  runsInGutter(tread: Tread, step: Step | null): number {
    const here = new Set([...tread.boxes, ...(step ? [step.device] : [])])
    const below = new Set((this.stepsFrom.get(tread.segment) ?? []).map((one) => one.device))
    const touching = new Set([...here].flatMap((box) => this.byBox.get(box) ?? []))
    const cables = [...touching].filter((cable) =>
      [cable.a.device, cable.b.device].every((end) => here.has(end) || below.has(end)),
    ).length
    const line = this.house.line && this.lineEntersBelow(this.house.line.device, here, step) ? 1 : 0
    return cables + line + this.uplinks.filter((one) => here.has(one.joined)).length
  }

  /** A step has its WAN sockets on the upper edge, where the line falls straight; every other socket is below. */
  private lineEntersBelow(device: string, here: Set<string>, step: Step | null): boolean {
    if (!here.has(device)) return false
    const port = this.device(device)?.ports?.find((one) => one.id === this.house.line?.port)
    return step?.device !== device || port?.role === 'lan'
  }
}
