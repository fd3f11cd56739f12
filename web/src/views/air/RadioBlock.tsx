import { type KeyboardEvent, type PointerEvent, useRef, useState } from 'react'
import type { StripRadio } from '../../api/types'
import type { Block } from './stripLayout'

type Stop = { number: number; low: number; high: number }

/** A radio of the house as a bracket over its channels. Dragged to another, or moved by the arrows and put there by Enter; who sits on another's channel stays with it. */
export function RadioBlock(props: {
  radio: StripRadio
  block: Block
  top: number
  x: (mhz: number) => number
  perPx: number
  stops: Stop[]
  tune: (channel: number) => unknown
}) {
  const { radio, block, top, x, perPx, stops, tune } = props
  const [moved, setMoved] = useState<Stop | null>(null)
  const start = useRef<number | null>(null)
  const low = moved?.low ?? block.low
  const high = moved?.high ?? block.high
  const shared = radio.with.length > 0
  const channel = moved ? moved.number : radio.channel
  const label = `${radio.name}${radio.widthMHz > 20 ? `, ${radio.widthMHz} MHz` : ''}`
  const says = `${radio.name}: ${
    radio.channel == null ? 'picks its channel itself' : `channel ${radio.channel}`
  }, ${radio.widthMHz} MHz${radio.follows ? `, where ${radio.follows} is` : ''}; ${Math.round(radio.share * 100)} % of the time is left to it${
    shared ? `, shared with ${[...new Set(radio.with)].join(', ')}` : ''
  }.`
  const style = { left: x(low), width: Math.max(14, x(high) - x(low)), top }
  const looks = `block${shared ? ' shared' : ''}${radio.channel == null && !moved ? ' auto' : ''}${moved ? ' lifted' : ''}`
  if (stops.length === 0)
    return (
      <div className={looks} style={style} title={says}>
        {label}
      </div>
    )
  const nearest = (mhz: number) =>
    stops.reduce((best, one) => (Math.abs(one.low - mhz) < Math.abs(best.low - mhz) ? one : best))
  const at = stops.findIndex((one) => one.number === channel)
  const done = () => {
    start.current = null
    if (moved && moved.number !== radio.channel) void tune(moved.number)
    setMoved(null)
  }
  return (
    <button
      type="button"
      className={looks}
      style={style}
      title={`${says} Drag it, or move it by the arrows and press Enter.`}
      role="slider"
      aria-label={`Channel of ${radio.name}`}
      aria-valuemin={stops[0].number}
      aria-valuemax={stops[stops.length - 1].number}
      aria-valuenow={channel ?? stops[0].number}
      aria-valuetext={channel == null ? 'picks its channel itself' : `channel ${channel}`}
      onPointerDown={(event: PointerEvent<HTMLButtonElement>) => {
        event.currentTarget.setPointerCapture(event.pointerId)
        start.current = event.clientX
      }}
      onPointerMove={(event) => {
        if (start.current == null || Math.abs(event.clientX - start.current) < 4) return
        setMoved(
          nearest(
            (radio.channel == null ? stops[0].low : radio.lowMHz) + (event.clientX - start.current) * perPx,
          ),
        )
      }}
      onPointerUp={done}
      onPointerCancel={() => {
        start.current = null
        setMoved(null)
      }}
      onBlur={() => {
        if (start.current == null) setMoved(null)
      }}
      onKeyDown={(event: KeyboardEvent) => {
        const by =
          event.key === 'ArrowLeft' || event.key === 'ArrowDown'
            ? -1
            : event.key === 'ArrowRight' || event.key === 'ArrowUp'
              ? 1
              : 0
        if (by !== 0) {
          event.preventDefault()
          setMoved(
            stops[Math.min(stops.length - 1, Math.max(0, (at < 0 ? (by > 0 ? -1 : stops.length) : at) + by))],
          )
        } else if (event.key === 'Enter' || event.key === ' ') {
          event.preventDefault()
          if (!event.repeat) done()
        } else if (event.key === 'Escape' && moved) {
          event.stopPropagation()
          setMoved(null)
        }
      }}
    >
      {moved ? `→ ${moved.number}` : label}
    </button>
  )
}
