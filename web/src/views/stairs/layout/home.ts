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

/** The house and what the server computed of it, asked the way one asks who draws it. */
export class Home {
  private readonly devices: Map<string, Device>
  private readonly endpoints: Map<string, Endpoint>

  constructor(
    readonly house: House,
    readonly stairs: Stairs,
    private readonly joined: Map<string, string>,
    readonly uplinks: UplinkView[],
  ) {
    this.devices = new Map((house.devices ?? []).map((device) => [device.id, device]))
    this.endpoints = new Map((house.endpoints ?? []).map((endpoint) => [endpoint.id, endpoint]))
  }

  device(id: string): Device | undefined {
    return this.devices.get(id)
  }

  /** The router whose step leads down to the tread. */
  stepTo(tread: Tread): Step | null {
    return this.stairs.steps.find((one) => one.lower === tread.segment) ?? null
  }

  below(tread: Tread): Tread[] {
    return this.stairs.treads.filter((one) => one.parent === tread.segment)
  }

  things(tread: Tread): Endpoint[] {
    return tread.things
      .map((id) => this.endpoints.get(id))
      .filter((thing): thing is Endpoint => thing !== undefined)
  }

  /** What is plugged into the box on that tread, in the order of its sockets. */
  wiredOn(device: string, tread: Tread): Endpoint[] {
    const order = (this.device(device)?.ports ?? []).map((port) => port.id)
    return this.things(tread)
      .filter((thing) => plugOf(thing)?.device === device)
      .sort((a, b) => order.indexOf(plugOf(a)?.port ?? '') - order.indexOf(plugOf(b)?.port ?? ''))
  }

  /** What has joined the box's Wi-Fi on that tread, by name. */
  wirelessOn(device: string, tread: Tread): Map<string, Endpoint[]> {
    const groups = new Map<string, Endpoint[]>()
    for (const thing of this.things(tread)) {
      const join = joinOf(thing)
      if (!join || this.joined.get(thing.id) !== device) continue
      groups.set(join.ssid, [...(groups.get(join.ssid) ?? []), thing])
    }
    return groups
  }

  /** The box whose Wi-Fi the thing is on. */
  boxOf(thing: Endpoint): string | undefined {
    return joinOf(thing) ? this.joined.get(thing.id) : undefined
  }

  cableAt(socket: Socket): Cable | undefined {
    return (this.house.cables ?? []).find(
      (cable) => key(cable.a) === key(socket) || key(cable.b) === key(socket),
    )
  }

  cable(id: string): Cable | undefined {
    return (this.house.cables ?? []).find((cable) => cable.id === id)
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
    const below = new Set(
      this.stairs.steps.filter((one) => one.upper === tread.segment).map((one) => one.device),
    )
    const cables = (this.house.cables ?? []).filter((cable) => {
      const ends = [cable.a.device, cable.b.device]
      return ends.some((end) => here.has(end)) && ends.every((end) => here.has(end) || below.has(end))
    }).length
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
