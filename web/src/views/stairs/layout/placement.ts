import type { Device, Endpoint, Port, Socket, Step, Tread } from '../../../api/types'

/** A point of the sheet, in CSS pixels from its top left corner. */
export type Point = [x: number, y: number]

/** `hit`: how wide it can be pressed. */
export type PlacedPort = {
  socket: Socket
  port: Port
  x: number
  y: number
  edge: 'top' | 'bottom'
  hit: number
}
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
  street: { y: number }
  treads: PlacedTread[]
  wires: Wire[]
  radios: RadioRun[]
  links: RadioLink[]
  loose: { y: number; ids: string[] } | null
}
