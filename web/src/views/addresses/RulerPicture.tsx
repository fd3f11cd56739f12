import './ruler.css'
import { type KeyboardEvent, type PointerEvent, useRef, useState } from 'react'
import type { Ruler } from '../../api/types'
import { useNarrow } from '../../parts/useNarrow'
import { useWidth } from '../../parts/useWidth'
import { lettering } from './lettering'
import { addressOf, numberOf, short } from './marks'

const bodyH = 58
const row = 22

type Drag = (device: string, start: string, end: string) => void

/** The ruler itself: the pool between its two ends, each address that is held on its place. Its ends are dragged, or moved by the arrows. */
export function RulerPicture({ ruler, drag }: { ruler: Ruler; drag: Drag }) {
  const narrow = useNarrow()
  const frame = useRef<HTMLDivElement>(null)
  const width = useWidth(frame)
  const length = Number(ruler.prefix.split('/')[1])
  const first = numberOf(ruler.prefix.split('/')[0])
  const size = 2 ** (32 - length)
  const w = Math.max(300, width - 2)
  const x = (address: string | number) =>
    (((typeof address === 'string' ? numberOf(address) : address) - first) / (size - 1 || 1)) * w
  const labels = lettering(
    ruler.marks.map((mark) => ({ mark, x: x(mark.address) })),
    w,
  )
  const top = 14 + labels.rows * row
  // Quarters, as people count them: .0, .64, .128, .192, and the last.
  const ticks = [0, size / 4, size / 2, (size / 4) * 3, size - 1].filter(
    (n, i, all) => Number.isInteger(n) && all.indexOf(n) === i,
  )
  return (
    <div ref={frame} className="ruler">
      {width > 0 && !narrow && (
        <svg width={w} height={top + bodyH + 46} role="presentation" aria-hidden>
          <defs>
            <pattern
              id="pool-hatch"
              width="9"
              height="9"
              patternUnits="userSpaceOnUse"
              patternTransform="rotate(45)"
            >
              <line className="hatch" x1="0" y1="0" x2="0" y2="9" strokeWidth="3" />
            </pattern>
          </defs>
          <rect className="body" x={0.75} y={top} width={w - 1.5} height={bodyH} />
          {ruler.pools.map((pool) => (
            <g key={pool.device}>
              <rect
                className={ruler.depth > 1 ? 'pool deep' : 'pool'}
                x={x(pool.start)}
                y={top + 1}
                width={Math.max(2, x(pool.end) - x(pool.start))}
                height={bodyH - 2}
              />
              <rect
                fill="url(#pool-hatch)"
                x={x(pool.start)}
                y={top + 1}
                width={Math.max(2, x(pool.end) - x(pool.start))}
                height={bodyH - 2}
              />
              {x(pool.end) - x(pool.start) > 140 && (
                <text
                  x={(x(pool.start) + x(pool.end)) / 2}
                  y={top + bodyH - 10}
                  textAnchor="middle"
                  fontWeight="650"
                >
                  pool of {pool.name}
                  {pool.isUnknown ? ', nobody has looked' : ''}
                </text>
              )}
            </g>
          ))}
          {ruler.marks.map((mark) => (
            <line
              key={`${mark.address} ${mark.owner ?? mark.name}`}
              className={`mark ${mark.kind}${mark.amiss ? ' amiss' : ''}`}
              x1={Math.max(1.5, Math.min(w - 1.5, x(mark.address)))}
              x2={Math.max(1.5, Math.min(w - 1.5, x(mark.address)))}
              y1={top - 6}
              y2={top + bodyH}
            />
          ))}
          {labels.list.map(({ mark, x: at, row: line, textX, anchor }) => (
            <g key={`${mark.address} ${mark.owner ?? mark.name}`}>
              <line
                className={`mark ${mark.kind}${mark.amiss ? ' amiss' : ''}`}
                x1={Math.max(1.5, Math.min(w - 1.5, at))}
                x2={Math.max(1.5, Math.min(w - 1.5, at))}
                y1={8 + line * row}
                y2={top - 6}
              />
              <text
                x={textX}
                y={18 + line * row}
                textAnchor={anchor}
                className={mark.amiss ? 'amiss' : undefined}
                fontWeight="650"
              >
                {mark.name.length > 22 ? `${mark.name.slice(0, 21)}…` : mark.name}{' '}
                <tspan className="number" fontWeight="400">
                  {short(mark.address, length)}
                </tspan>
              </text>
            </g>
          ))}
          {ticks.map((tick) => (
            <g key={tick}>
              <line
                className="tick"
                x1={x(first + tick)}
                x2={x(first + tick)}
                y1={top + bodyH}
                y2={top + bodyH + 9}
              />
              <text
                className="number"
                x={x(first + tick)}
                y={top + bodyH + 22}
                textAnchor={tick === 0 ? 'start' : tick === size - 1 ? 'end' : 'middle'}
              >
                {short(addressOf(first + tick), length)}
              </text>
            </g>
          ))}
          {ruler.pools.map((pool) => (
            <g key={pool.device}>
              <text className="number end" x={x(pool.start)} y={top + bodyH + 40} textAnchor="middle">
                {short(pool.start, length)}
              </text>
              {x(pool.end) - x(pool.start) > 60 && (
                <text className="number end" x={x(pool.end)} y={top + bodyH + 40} textAnchor="middle">
                  {short(pool.end, length)}
                </text>
              )}
            </g>
          ))}
        </svg>
      )}
      {width > 0 &&
        !narrow &&
        !ruler.guestsOf &&
        ruler.pools
          .filter((pool) => !pool.isUnknown)
          .flatMap((pool) =>
            (['start', 'end'] as const).map((end) => (
              <Handle
                key={`${pool.device} ${end}`}
                label={`${end === 'start' ? 'First' : 'Last'} address of the pool of ${pool.name}`}
                value={numberOf(pool[end])}
                least={end === 'start' ? first + 1 : numberOf(pool.start)}
                most={end === 'start' ? numberOf(pool.end) : first + size - 2}
                x={x}
                at={(left) => first + Math.round((left / w) * (size - 1))}
                top={top - 9}
                put={(number) =>
                  drag(
                    pool.device,
                    end === 'start' ? addressOf(number) : pool.start,
                    end === 'end' ? addressOf(number) : pool.end,
                  )
                }
              />
            )),
          )}
    </div>
  )
}

function Handle(props: {
  label: string
  value: number
  least: number
  most: number
  x: (number: number) => number
  at: (left: number) => number
  top: number
  put: (number: number) => void
}) {
  const { label, value, least, most, x, at, top, put } = props
  const [moved, setMoved] = useState<number | null>(null)
  const start = useRef<{ pointer: number; left: number } | null>(null)
  const held = (number: number) => Math.min(most, Math.max(least, number))
  const now = moved ?? value
  const done = () => {
    start.current = null
    if (moved !== null && moved !== value) put(moved)
    setMoved(null)
  }
  return (
    <button
      type="button"
      role="slider"
      aria-label={label}
      aria-valuemin={least}
      aria-valuemax={most}
      aria-valuenow={now}
      aria-valuetext={addressOf(now)}
      title={`${label}: ${addressOf(now)}. Drag it, or move it by the arrows and press Enter.`}
      style={{ left: x(now) - 12, top }}
      onPointerDown={(event: PointerEvent<HTMLButtonElement>) => {
        event.currentTarget.setPointerCapture(event.pointerId)
        start.current = { pointer: event.clientX, left: x(value) }
      }}
      onPointerMove={(event) => {
        if (start.current) setMoved(held(at(start.current.left + event.clientX - start.current.pointer)))
      }}
      onPointerUp={done}
      onPointerCancel={() => {
        start.current = null
        setMoved(null)
      }}
      onBlur={done}
      onKeyDown={(event: KeyboardEvent) => {
        const step =
          event.key === 'ArrowLeft' || event.key === 'ArrowDown'
            ? -1
            : event.key === 'ArrowRight' || event.key === 'ArrowUp'
              ? 1
              : event.key === 'PageUp'
                ? 10
                : event.key === 'PageDown'
                  ? -10
                  : 0
        if (step !== 0) {
          event.preventDefault()
          setMoved(held(now + step))
        } else if (event.key === 'Enter' || event.key === ' ') {
          event.preventDefault()
          done()
        } else if (event.key === 'Escape' && moved !== null) {
          event.stopPropagation()
          setMoved(null)
        }
      }}
    >
      {moved !== null && <span className="moved">{addressOf(moved)}</span>}
    </button>
  )
}
