// @vitest-environment node
import { readFileSync } from 'node:fs'
import { resolve } from 'node:path'
import { describe, expect, it } from 'vitest'
import { plugOf } from '../../../api/attachment'
import type { House, Stairs } from '../../../api/types'
import { place } from './place'
import type { Placement, Point } from './placement'

type Rect = { x: number; y: number; w: number; h: number; id: string }

const demo = JSON.parse(
  readFileSync(resolve(import.meta.dirname, '../../../../../docs/examples/larkspur-house.json'), 'utf8'),
) as House

/** The demo house as the server lays it out in treads and steps. */
const demoStairs: Stairs = {
  streetAddresses: ['203.0.113.10'],
  treads: [
    tread('s2', 0, null, [], []),
    tread('s1', 1, 's2', [], ['recorder', 'printer', 'heating', 'lounge-tablet', 'kitchen-tablet']),
    tread('s3', 2, 's1', [], ['work-laptop', 'studio-tablet']),
  ],
  steps: [step('gw', 's2', 's1', 1), step('studio', 's1', 's3', 2)],
  loose: [],
}
const joined = new Map([
  ['heating', 'gw'],
  ['lounge-tablet', 'gw'],
  ['kitchen-tablet', 'gw'],
  ['studio-tablet', 'studio'],
])

function tread(
  segment: string,
  depth: number,
  parent: string | null,
  boxes: string[],
  things: string[],
): Stairs['treads'][0] {
  return {
    segment,
    depth,
    parent,
    isCutOff: false,
    isLoop: false,
    guestsOf: null,
    isTable: false,
    subnets: ['192.168.1.0/24'],
    servers: [],
    wifiNames: [],
    boxes,
    things,
  }
}

function step(device: string, upper: string, lower: string, number: number): Stairs['steps'][0] {
  return {
    device,
    upper,
    lower,
    number,
    translates: true,
    outside: [],
    inside: '192.168.1.1/24',
    passedBy: null,
  }
}

/** A gateway with a row of access points on one network, and many things on each. */
function crowd(boxes: number, things: number): { house: House; stairs: Stairs } {
  const ids = Array.from({ length: boxes }, (_, i) => `b${i}`)
  const ports = [
    { id: 'wan', role: 'wan' as const },
    ...Array.from({ length: 8 }, (_, i) => ({ id: `lan${i + 1}`, role: 'lan' as const })),
  ]
  const endpoints = ids.flatMap((device) =>
    Array.from({ length: things }, (_, i) => ({
      id: `${device}-e${i}`,
      name: 'Thing',
      connect: { device, port: `lan${i + 3}` },
    })),
  )
  const cables = ids
    .slice(1)
    .map((id, i) => ({ id: `c${i}`, a: { device: `b${i}`, port: 'lan2' }, b: { device: id, port: 'lan1' } }))
  return {
    house: {
      name: 'Crowd',
      line: { device: 'b0', port: 'wan' },
      devices: ids.map((id, i) => ({ id, name: id, mode: i ? 'access-point' : 'router', ports })),
      cables,
      endpoints,
    },
    stairs: {
      streetAddresses: [],
      treads: [
        tread('s0', 0, null, [], []),
        tread(
          's1',
          1,
          's0',
          ids.slice(1),
          endpoints.map((e) => e.id),
        ),
      ],
      steps: [step('b0', 's0', 's1', 1)],
      loose: [],
    },
  }
}

/** A modem standing on the street itself, a router behind it. */
const modem: { house: House; stairs: Stairs } = {
  house: {
    name: 'Modem',
    line: { device: 'modem', port: 'line' },
    devices: [
      {
        id: 'modem',
        name: 'Modem',
        mode: 'modem',
        ports: [
          { id: 'line', role: 'wan' },
          { id: 'lan1', role: 'lan' },
        ],
      },
      {
        id: 'router',
        name: 'Router',
        mode: 'router',
        ports: [
          { id: 'wan', role: 'wan' },
          { id: 'lan1', role: 'lan' },
        ],
      },
    ],
    cables: [{ id: 'c1', a: { device: 'modem', port: 'lan1' }, b: { device: 'router', port: 'wan' } }],
    endpoints: [{ id: 'laptop', name: 'Laptop', connect: { device: 'router', port: 'lan1' } }],
  },
  stairs: {
    streetAddresses: [],
    treads: [tread('s0', 0, null, ['modem'], []), tread('s1', 1, 's0', [], ['laptop'])],
    steps: [step('router', 's0', 's1', 1)],
    loose: [],
  },
}

const cards = (placed: Placement): Rect[] =>
  placed.treads.flatMap((t) => [
    ...t.boxes.map((b) => ({ x: b.x, y: b.y, w: b.w, h: b.h, id: b.device.id })),
    ...t.things.map((e) => ({ x: e.x, y: e.y, w: e.w, h: e.h, id: e.endpoint.id })),
  ])

const overlap = (a: Rect, b: Rect) => a.x < b.x + b.w && b.x < a.x + a.w && a.y < b.y + b.h && b.y < a.y + a.h

/** Whether a level or upright stretch runs through the inside of a card; touching its edge is arriving. */
function crosses([[x1, y1], [x2, y2]]: [Point, Point], card: Rect) {
  const [left, right, top, bottom] = [Math.min(x1, x2), Math.max(x1, x2), Math.min(y1, y2), Math.max(y1, y2)]
  return right > card.x + 1 && left < card.x + card.w - 1 && bottom > card.y + 1 && top < card.y + card.h - 1
}

const stretches = (points: Point[]) => points.slice(1).map((point, i) => [points[i], point] as [Point, Point])

const houses: [string, House, Stairs, Map<string, string>][] = [
  ['the demo house', demo, demoStairs, joined],
  ['a modem in front', ...spread(modem), new Map()],
  ['one box, five wired things', ...spread(crowd(1, 5)), new Map()],
  ['six boxes, three things each', ...spread(crowd(6, 3)), new Map()],
  ['nine boxes, six things each', ...spread(crowd(9, 6)), new Map()],
]

function spread({ house, stairs }: { house: House; stairs: Stairs }): [House, Stairs] {
  return [house, stairs]
}

describe.each([366, 700, 764, 1100])('at %i pixels', (width) => {
  it.each(houses)('%s: every thing and box has a place of its own', (_name, house, stairs, on) => {
    const placed = place(house, stairs, on, width)
    const all = cards(placed)
    expect(all.map((card) => card.id).sort()).toEqual(
      [...(house.devices ?? []), ...(house.endpoints ?? [])].map((one) => one.id).sort(),
    )
    for (const a of all) {
      expect(a.x).toBeGreaterThanOrEqual(0)
      expect(a.x + a.w).toBeLessThanOrEqual(placed.width)
      expect(a.w, 'a card squeezed to nothing').toBeGreaterThan(100)
      expect(a.y + a.h).toBeLessThanOrEqual(placed.height)
      for (const b of all) if (a !== b) expect(overlap(a, b), `${a.id} over ${b.id}`).toBe(false)
    }
  })

  it.each(houses)(
    '%s: every cable is drawn, level or upright, and crosses no card',
    (_name, house, stairs, on) => {
      const placed = place(house, stairs, on, width)
      const plugged = (house.endpoints ?? []).filter(plugOf).length
      expect(placed.wires.length).toBe((house.cables ?? []).length + plugged + 1)
      for (const wire of placed.wires)
        for (const stretch of stretches(wire.points)) {
          const [[x1, y1], [x2, y2]] = stretch
          expect(x1 === x2 || y1 === y2, `${wire.id} runs askew`).toBe(true)
          for (const card of cards(placed))
            expect(crosses(stretch, card), `${wire.id} through ${card.id}`).toBe(false)
        }
    },
  )

  it.each(houses)('%s: every cable ends in its very socket', (_name, house, stairs, on) => {
    const placed = place(house, stairs, on, width)
    const sockets = placed.treads.flatMap((t) => t.boxes.flatMap((b) => b.ports))
    for (const cable of house.cables ?? []) {
      const wire = placed.wires.find((one) => one.id === `cable-${cable.id}`)
      const ends = [wire?.points[0], wire?.points.at(-1)]
      for (const end of [cable.a, cable.b]) {
        const socket = sockets.find((s) => s.socket.device === end.device && s.socket.port === end.port)
        expect(ends).toContainEqual([socket?.x, socket?.y])
      }
    }
  })
})

/** Boxes that hang on the router and on one another by radio, each with a thing or two. */
function radioYard(boxes: number, things: number) {
  const { house, stairs } = crowd(boxes, things)
  const uplinks = Array.from({ length: boxes - 1 }, (_, i) => ({
    box: `b${i + 1}`,
    joined: i > 2 ? `b${i - 1}` : 'b0',
    ssid: 'home',
    band: '5',
  }))
  const devices = (house.devices ?? []).map((device) => ({ ...device, ports: device.ports?.slice(0, 6) }))
  return { house: { ...house, devices, cables: [] }, stairs, uplinks }
}

describe.each([366, 764, 1100])('radio links at %i pixels', (width) => {
  it.each([
    [2, 1],
    [5, 2],
    [9, 3],
  ])('%i boxes, %i things each: from box to box, clear of every card', (boxes, things) => {
    const { house, stairs, uplinks } = radioYard(boxes, things)
    const placed = place(house, stairs, new Map(), width, uplinks)
    expect(placed.links.length).toBe(uplinks.length)
    const card = (id: string) => cards(placed).find((one) => one.id === id) as Rect
    const touches = ([x, y]: Point, at: Rect) =>
      x >= at.x - 1 && x <= at.x + at.w + 1 && y >= at.y - 1 && y <= at.y + at.h + 1
    for (const link of placed.links) {
      expect(touches(link.points[0], card(link.from)), `${link.id} starts at ${link.from}`).toBe(true)
      expect(touches(link.points.at(-1) as Point, card(link.to)), `${link.id} ends at ${link.to}`).toBe(true)
      for (const stretch of stretches(link.points)) {
        const [[x1, y1], [x2, y2]] = stretch
        expect(x1 === x2 || y1 === y2).toBe(true)
        for (const one of cards(placed))
          expect(crosses(stretch, one), `${link.id} through ${one.id}`).toBe(false)
      }
    }
  })

  it('puts boxes with little on them side by side where there is room', () => {
    const { house, stairs, uplinks } = radioYard(7, 1)
    const placed = place(house, stairs, new Map(), width, uplinks)
    const rows = new Set(placed.treads.flatMap((t) => t.boxes.slice(1).map((box) => box.y)))
    expect(rows.size).toBe(width < 500 ? 6 : 2)
  })
})

describe('a house of two hundred steps', () => {
  const depth = 200
  const house: House = {
    format: 'altrin.network/1',
    name: 'Deep',
    line: { device: 'b0', port: 'wan' },
    devices: Array.from({ length: depth }, (_, i) => ({
      id: `b${i}`,
      name: `Box ${i}`,
      mode: 'router',
      supports: ['router'],
      ports: ['wan', 'lan1', 'lan2'].map((id) => ({ id, role: id === 'wan' ? 'wan' : 'lan', tagged: [] })),
      radios: [],
      wifi: [],
      portForwards: [],
    })) as unknown as House['devices'],
    cables: Array.from({ length: depth - 1 }, (_, i) => ({
      id: `c${i}`,
      a: { device: `b${i}`, port: 'lan1' },
      b: { device: `b${i + 1}`, port: 'wan' },
      medium: 'ethernet' as const,
    })),
    endpoints: [],
    needs: [],
  } as unknown as House
  const stairs: Stairs = {
    streetAddresses: [],
    treads: [
      tread('s0', 0, null, [], []),
      ...Array.from({ length: depth }, (_, i) => tread(`s${i + 1}`, i + 1, `s${i}`, [], [])),
    ],
    steps: Array.from({ length: depth }, (_, i) => step(`b${i}`, `s${i}`, `s${i + 1}`, i + 1)),
    loose: [],
  }

  it('is wide enough for every tread and its cards', () => {
    const placed = place(house, stairs, new Map(), 764)
    for (const one of placed.treads) {
      expect(one.w).toBeGreaterThan(0)
      for (const box of one.boxes) expect(box.x + box.w).toBeLessThanOrEqual(placed.width)
    }
  })
})
