import { memo, useMemo } from 'react'
import type { Placement, Point, Wire } from './layout/placement'

const c = (name: string) => `var(--chakra-colors-${name})`

/** Grounds are told apart by hatch as well as by colour. */
const hatches = [
  <path key="0" d="M-2 12L12 -2M6 18L18 6" />,
  <g key="1">
    <circle cx="3" cy="3" r="0.9" />
    <circle cx="11" cy="11" r="0.9" />
  </g>,
  <path key="2" d="M0 8H16" />,
  <path key="3" d="M4 -2L20 14M-4 6L10 20" />,
  <path key="4" d="M8 0V16" />,
]

const path = (points: Point[]) => points.map(([x, y], i) => `${i ? 'L' : 'M'}${x} ${y}`).join('')

/** A zigzag along the longest stretch of a powerline link; the rest is plain. */
function zigzag(points: Point[]): string {
  let d = `M${points[0][0]} ${points[0][1]}`
  for (let i = 1; i < points.length; i++) {
    const [x1, y1] = points[i - 1]
    const [x2, y2] = points[i]
    const length = Math.hypot(x2 - x1, y2 - y1)
    const n = Math.floor(length / 8)
    for (let k = 1; k < n; k++) {
      const t = k / n
      const side = (k % 2 ? 1 : -1) * 3
      const [nx, ny] = length ? [-(y2 - y1) / length, (x2 - x1) / length] : [0, 0]
      d += `L${x1 + (x2 - x1) * t + nx * side} ${y1 + (y2 - y1) * t + ny * side}`
    }
    d += `L${x2} ${y2}`
  }
  return d
}

const arcs = (x: number, y1: number, y2: number) => {
  let d = ''
  for (let y = y1; y < y2; y += 9) d += `M${x - 5} ${y}q5 5 10 0`
  return d
}

/** Short arcs across a path, a row of them: a radio link. */
function arcsAlong(points: Point[]): string {
  let d = ''
  for (let i = 1; i < points.length; i++) {
    const [x1, y1] = points[i - 1]
    const [x2, y2] = points[i]
    const length = Math.hypot(x2 - x1, y2 - y1)
    if (length === 0) continue
    const [ux, uy] = [(x2 - x1) / length, (y2 - y1) / length]
    // Clear of the corners, and narrower than a lane: two links side by side stay two rows.
    for (let at = 5; at < length - 2; at += 8) {
      const [x, y] = [x1 + ux * at, y1 + uy * at]
      d += `M${x - uy * 3} ${y + ux * 3}q${ux * 4 + uy * 3} ${uy * 4 - ux * 3} ${uy * 6} ${-ux * 6}`
    }
  }
  return d
}

/** From where to where something reaches, from above. */
const reach = (points: Point[]) => {
  const ys = points.map(([, y]) => y)
  const y = Math.min(...ys)
  return { y, h: Math.max(...ys) - y }
}

const isOn = (wire: Wire, selected: string | null) => selected !== null && wire.ends.includes(selected)

/** Everything that is drawn and not pressed: grounds, edges, steps, cables, radio. */
export const Picture = memo(function Picture(props: {
  placed: Placement
  selected: string | null
  changed: Set<string>
  revision: number
  lit: Set<string>
  /** Whether anything between these heights is in the window: of a big house the rest is left out. */
  isSeen: (id: null, at: { y: number; h: number }) => boolean
}) {
  const { placed, selected, changed, revision, lit, isSeen } = props
  const wires = useMemo(() => placed.wires.map((wire) => ({ wire, at: reach(wire.points) })), [placed])
  const links = useMemo(() => placed.links.map((link) => ({ link, at: reach(link.points) })), [placed])
  const treads = placed.treads.filter((tread) => isSeen(null, tread))
  const isLit = (wire: Wire) => lit.has(wire.id) || (lit.size === 0 && isOn(wire, selected))
  return (
    <svg
      width={placed.width}
      height={placed.height}
      aria-hidden="true"
      style={{ position: 'absolute', inset: 0, pointerEvents: 'none' }}
    >
      <defs>
        {hatches.map((hatch, i) => (
          // The grounds are five and never change places.
          <pattern
            key={`hatch-${hatch.key}`}
            id={`ground${i}`}
            width="16"
            height="16"
            patternUnits="userSpaceOnUse"
          >
            <rect width="16" height="16" fill={c(`tread${i + 1}`)} />
            <g
              stroke={i === 1 ? 'none' : c('hatch')}
              fill={i === 1 ? c('hatch') : 'none'}
              opacity="0.09"
              strokeWidth="1"
            >
              {hatch}
            </g>
          </pattern>
        ))}
      </defs>
      <line
        x1={0}
        x2={placed.width}
        y1={placed.street.y}
        y2={placed.street.y}
        stroke={c('ink')}
        strokeWidth="2.5"
      />
      {treads.map((tread) => (
        <g key={tread.tread.segment}>
          <rect
            x={tread.x}
            y={tread.y}
            width={tread.w}
            height={tread.h}
            fill={`url(#ground${tread.ground})`}
          />
          <line
            x1={tread.x}
            x2={tread.x + tread.w}
            y1={tread.y}
            y2={tread.y}
            stroke={c(tread.tread.isLoop ? 'brick' : 'ink')}
            strokeWidth="2.5"
            strokeDasharray={tread.tread.isCutOff ? '8 5' : undefined}
          />
          {changed.has(tread.tread.segment) && (
            <rect
              key={revision}
              className="trace"
              x={tread.x + 1.5}
              y={tread.y + 1.5}
              width={tread.w - 3}
              height={tread.h - 3}
              fill="none"
              stroke={c('spruce')}
              strokeWidth="3"
              pathLength={1}
            />
          )}
        </g>
      ))}
      {placed.treads
        .flatMap((tread) => tread.boxes)
        .map(
          (box) =>
            box.bar &&
            box.step?.upper != null &&
            box.step.translates &&
            isSeen(null, { y: box.bar.y1, h: box.bar.y2 - box.bar.y1 }) && (
              <rect
                key={box.device.id}
                x={box.bar.x - 4}
                y={box.bar.y1}
                width="8"
                height={box.bar.y2 - box.bar.y1}
                fill={c('plum')}
              />
            ),
        )}
      {wires
        .filter(({ at }) => isSeen(null, at))
        .map(({ wire }) => (
          <path
            key={wire.id}
            d={wire.kind === 'powerline' ? zigzag(wire.points) : path(wire.points)}
            fill="none"
            stroke={c(isLit(wire) ? 'spruce' : 'ink')}
            strokeWidth={isLit(wire) ? 3.5 : 2}
            strokeLinejoin="round"
            strokeDasharray={wire.kind === 'coax' ? '10 3' : undefined}
          />
        ))}
      {placed.radios
        .filter((radio) => isSeen(null, { y: radio.y1, h: radio.y2 - radio.y1 }))
        .map((radio) => (
          <path
            key={radio.id}
            d={arcs(radio.x, radio.y1, radio.y2)}
            stroke={c('spruce')}
            fill="none"
            strokeWidth={lit.has(radio.id) ? 3.4 : 1.8}
            strokeLinecap="round"
          />
        ))}
      {links
        .filter(({ at }) => isSeen(null, at))
        .map(({ link }) => (
          <path
            key={link.id}
            data-uplink={link.to}
            d={arcsAlong(link.points)}
            stroke={c('spruce')}
            fill="none"
            strokeWidth={
              lit.has(link.id) || (lit.size === 0 && (link.from === selected || link.to === selected))
                ? 3.4
                : 1.8
            }
            strokeLinecap="round"
          />
        ))}
    </svg>
  )
})
