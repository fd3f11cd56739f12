import { type FloorSheet, type Point, type Rect, rectOf } from './sheets'

/** How a floor lies on the page: metres to pixels. */
export type Frame = {
  scale: number
  width: number
  height: number
  x: (m: number) => number
  y: (m: number) => number
  at: (px: Point) => Point
}

const marginM = 0.3
const mostPxPerM = 54

/** @param room Metres of free ground kept round the rooms, to draw on. */
export function frameOf(
  sheet: FloorSheet | undefined,
  widthPx: number,
  mostHeightPx: number,
  room: number,
): Frame {
  const rects = (sheet?.rooms ?? []).map(rectOf).filter((one): one is Rect => one != null)
  const pad = marginM + room
  const left = Math.min(...rects.map((one) => one.x), rects.length ? Number.POSITIVE_INFINITY : 0) - pad
  const top = Math.min(...rects.map((one) => one.y), rects.length ? Number.POSITIVE_INFINITY : 0) - pad
  const right =
    Math.max(...rects.map((one) => one.x + one.width), rects.length ? Number.NEGATIVE_INFINITY : 10) + pad
  const bottom =
    Math.max(...rects.map((one) => one.y + one.depth), rects.length ? Number.NEGATIVE_INFINITY : 7) + pad
  const scale = Math.min(widthPx / (right - left), mostHeightPx / (bottom - top), mostPxPerM)
  return {
    scale,
    width: (right - left) * scale,
    height: (bottom - top) * scale,
    x: (m) => (m - left) * scale,
    y: (m) => (m - top) * scale,
    at: (px) => ({ x: px.x / scale + left, y: px.y / scale + top }),
  }
}
