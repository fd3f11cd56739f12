import type { AirRoomView, AirView } from '../../api/types'

export type Rect = { x: number; y: number; width: number; depth: number }
export type Point = { x: number; y: number }

export const rectOf = (room: { rect: unknown }): Rect | null => {
  const n = room.rect as number[] | null
  return n ? { x: n[0], y: n[1], width: n[2], depth: n[3] } : null
}

export const pointOf = (at: unknown): Point | null => {
  const n = at as number[] | null
  return n ? { x: n[0], y: n[1] } : null
}

/** One floor of one building: what is looked at together. */
export type FloorSheet = {
  key: string
  building: string | null
  floor: number
  label: string
  rooms: AirRoomView[]
}

const floorWords: Record<number, string> = {
  [-1]: 'basement',
  0: 'ground floor',
  1: 'first floor',
  2: 'second floor',
  3: 'third floor',
}

const floorLabel = (floor: number) => floorWords[floor] ?? `floor ${floor}`

const capital = (text: string) => text.charAt(0).toUpperCase() + text.slice(1)

/** The floors of the house from the ground up, then those of other buildings. */
export function sheetsOf(view: AirView): FloorSheet[] {
  const sheets = new Map<string, FloorSheet>()
  const drawn = view.rooms.filter((room) => room.rect)
  const sorted = [...drawn].sort(
    (a, b) => Number(a.building != null) - Number(b.building != null) || a.floor - b.floor,
  )
  for (const room of sorted) {
    const key = `${room.building ?? ''}|${room.floor}`
    const isOnly = drawn.every((other) => other.building !== room.building || other.floor === room.floor)
    const label = room.building
      ? isOnly
        ? capital(room.building)
        : `${capital(room.building)}, ${floorLabel(room.floor)}`
      : capital(floorLabel(room.floor))
    const sheet = sheets.get(key) ?? {
      key,
      building: room.building ?? null,
      floor: room.floor,
      label,
      rooms: [],
    }
    sheet.rooms.push(room)
    sheets.set(key, sheet)
  }
  return [...sheets.values()]
}

export const floorName = (floor: number) => capital(floorLabel(floor))

/** Metres to the half: a sketch for radio needs no more. */
export const gridM = 0.5
export const snap = (metres: number) => Math.round(metres / gridM) * gridM

/** “480”, “8.5”: what the air gives is not known to three figures, and a page that says so is believed. */
export const rate = (mbps: number) =>
  mbps < 10 ? String(Math.round(mbps * 10) / 10) : String(Math.floor(mbps))

/** “3 m (10 ft)”. */
export const metres = (m: number) => `${Math.round(m * 10) / 10} m (${Math.round(m / 0.3048)} ft)`

export const roomAt = (rooms: AirRoomView[], at: Point) =>
  rooms.find((room) => {
    const rect = rectOf(room)
    return (
      rect && at.x >= rect.x && at.x <= rect.x + rect.width && at.y >= rect.y && at.y <= rect.y + rect.depth
    )
  })

const lap = (a1: number, a2: number, b1: number, b2: number) => Math.min(a2, b2) - Math.max(a1, b1)

/** Whether two rooms would lie on each other; a shared wall is none. The core refuses it too: this is only the look while drawing. */
export const overlaps = (a: Rect, b: Rect) =>
  lap(a.x, a.x + a.width, b.x, b.x + b.width) > 0.01 && lap(a.y, a.y + a.depth, b.y, b.y + b.depth) > 0.01
