import type { Point } from './sheets'

/** A radio link as a row of short arcs from one point to the other, in pixels. */
export function arcs(from: Point, to: Point, size = 11): string {
  const length = Math.hypot(to.x - from.x, to.y - from.y)
  const n = Math.max(1, Math.round(length / size))
  const [dx, dy] = [(to.x - from.x) / n, (to.y - from.y) / n]
  let path = ''
  for (let i = 0; i < n; i++) {
    const [x, y] = [from.x + dx * i, from.y + dy * i]
    // A gap between two arcs tells them from a wavy line.
    const [x1, y1] = [x + dx * 0.12, y + dy * 0.12]
    const [x2, y2] = [x + dx * 0.88, y + dy * 0.88]
    const [cx, cy] = [(x1 + x2) / 2 + dy * 0.45, (y1 + y2) / 2 - dx * 0.45]
    path += `M${x1.toFixed(1)} ${y1.toFixed(1)}Q${cx.toFixed(1)} ${cy.toFixed(1)} ${x2.toFixed(1)} ${y2.toFixed(1)}`
  }
  return path
}
