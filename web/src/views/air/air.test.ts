import { describe, expect, it } from 'vitest'
import type { AirStander, AirView, BandStrip } from '../../api/types'
import { arcs } from './arcs'
import { frameOf } from './frame'
import { clearOf, placesOf } from './places'
import { overlaps, rate, rectOf, roomAt, sheetsOf, snap } from './sheets'
import { rowsOf, stops } from './stripLayout'

const room = (id: string, rect: number[] | null, more = {}) =>
  ({
    id,
    name: id,
    floor: 0,
    rect,
    mbps: 10,
    says: '',
    heard: [],
    ...more,
  }) as unknown as AirView['rooms'][number]

const view = (rooms: AirView['rooms'], standers: Partial<AirStander>[] = []) =>
  ({ rooms, standers, links: [], strips: [] }) as unknown as AirView

describe('sheets', () => {
  it('puts the floors of the house first, from the ground up, then other buildings', () => {
    const sheets = sheetsOf(
      view([
        room('barn', [50, 0, 4, 4], { building: 'barn' }),
        room('attic', [0, 0, 4, 4], { floor: 2 }),
        room('hall', [0, 0, 4, 4]),
        room('loose', null),
      ]),
    )
    expect(sheets.map((one) => one.label)).toEqual(['Ground floor', 'Second floor', 'Barn'])
  })
  it('names the floor of a building that has several', () => {
    const sheets = sheetsOf(
      view([
        room('a', [0, 0, 1, 1], { building: 'mill' }),
        room('b', [0, 0, 1, 1], { building: 'mill', floor: 1 }),
      ]),
    )
    expect(sheets.map((one) => one.label)).toEqual(['Mill, ground floor', 'Mill, first floor'])
  })
  it('snaps to half a metre, and takes a shared wall for no overlap', () => {
    expect(snap(2.26)).toBe(2.5)
    const hall = { x: 0, y: 0, width: 4, depth: 4 }
    expect(overlaps(hall, { x: 4, y: 0, width: 4, depth: 4 })).toBe(false)
    expect(overlaps(hall, { x: 3.5, y: 0, width: 4, depth: 4 })).toBe(true)
  })
  it('never says more than was reckoned', () => {
    expect([rate(17.9), rate(9.94), rate(0)]).toEqual(['17', '9.9', '0'])
  })
  it('finds the room under a point', () => {
    const rooms = [room('hall', [0, 0, 4, 4]), room('study', [4, 0, 4, 4])]
    expect(roomAt(rooms, { x: 5, y: 1 })?.id).toBe('study')
    expect(roomAt(rooms, { x: 9, y: 1 })).toBeUndefined()
  })
})

describe('frame', () => {
  it('turns metres into pixels and back', () => {
    const sheet = sheetsOf(view([room('hall', [-18, 2, 7, 6])]))[0]
    const frame = frameOf(sheet, 600, 400, 0)
    const back = frame.at({ x: frame.x(-15), y: frame.y(4) })
    expect(back.x).toBeCloseTo(-15)
    expect(back.y).toBeCloseTo(4)
    expect(frame.width).toBeLessThanOrEqual(600)
    expect(frame.height).toBeLessThanOrEqual(400)
  })
  it('has ground to draw on where nothing is drawn', () => {
    const frame = frameOf(undefined, 600, 400, 4)
    expect(frame.width).toBeGreaterThan(300)
  })
})

describe('places', () => {
  const drawn = room('hall', [0, 0, 6, 6])
  const put = (id: string, at: number[] | null) =>
    ({
      id,
      name: id,
      kind: 'sends',
      room: 'hall',
      at,
      isPut: at !== null,
      isAtHand: false,
    }) as Partial<AirStander>
  it('stacks what nobody has put anywhere at the foot of its room', () => {
    const it = view([drawn], [put('a', null), put('b', null)])
    const sheet = sheetsOf(it)[0]
    const places = placesOf(it, sheet, frameOf(sheet, 300, 300, 0))
    expect(places.map((one) => one.isPut)).toEqual([false, false])
    expect(places[1].y - places[0].y).toBe(20)
  })
  it('leaves the letters of the room free of names', () => {
    const it = view([drawn], [put('a', [5.8, 0.5])])
    const sheet = sheetsOf(it)[0]
    const [one] = placesOf(it, sheet, frameOf(sheet, 300, 300, 0))
    expect(one.onLeft).toBe(true)
    expect(one.x - one.letters).toBeGreaterThan(110)
  })
  it('writes the level of a link where no name is covered', () => {
    const at = (x: number, y: number, name = 'x'.repeat(12)) =>
      ({ stander: { name }, x, y, isPut: true, letters: 100, onLeft: false }) as never
    const [from, to, between] = [at(0, 0), at(600, 0), at(250, 0)]
    const label = clearOf([from, to, between], from, to)
    expect(label.left - 34).toBeGreaterThan(250 - 8 + 102)
  })
})

describe('arcs', () => {
  it('are a row of pieces from one end to the other, none of them a whole line', () => {
    const path = arcs({ x: 0, y: 0 }, { x: 110, y: 0 })
    expect(path.match(/M/g)).toHaveLength(10)
    expect(path).not.toContain('L')
  })
})

const strip = (band: string, numbers: [number, string?][]) =>
  ({
    band,
    lowMHz: 5170,
    highMHz: 5835,
    channels: numbers.map(([number, why]) => ({
      number,
      lowMHz: 5000 + number * 5 - 10,
      highMHz: 5000 + number * 5 + 10,
      why: why ?? null,
    })),
  }) as unknown as BandStrip

describe('strip', () => {
  it('puts blocks that lie on each other on rows of their own', () => {
    const rows = rowsOf(
      [
        { id: 'a', low: 0, high: 20 },
        { id: 'b', low: 10, high: 30 },
        { id: 'c', low: 40, high: 60 },
      ],
      1,
    )
    expect(Object.fromEntries(rows.map((one) => [one.id, one.row]))).toEqual({ a: 0, b: 1, c: 0 })
  })
  it('stops at whole blocks of the width, and at none that is forbidden in part', () => {
    const five = strip('5', [
      [36],
      [40],
      [44],
      [48],
      [52, 'no-rule'],
      [56],
      [60],
      [64],
      [100],
      [104],
      [108],
      [112],
    ])
    expect(stops(five, 80).map((one) => one.number)).toEqual([36, 100])
    expect(stops(five, 40).map((one) => one.number)).toEqual([36, 44, 60, 100, 108])
    expect(stops(five, 20)).toHaveLength(11)
  })
  it('stops at 2.4 GHz where channels do not overlap', () => {
    const old = strip('2.4', [[1], [2], [3], [6], [11], [13, 'no-rule']])
    expect(stops(old, 20).map((one) => one.number)).toEqual([1, 6, 11])
  })
  it('reads a rectangle off the document', () => {
    expect(rectOf({ rect: [1, 2, 3, 4] })).toEqual({ x: 1, y: 2, width: 3, depth: 4 })
    expect(rectOf({ rect: null })).toBeNull()
  })
})
