import './reach.css'
import { useVirtualizer } from '@tanstack/react-virtual'
import { type KeyboardEvent, useMemo, useRef, useState } from 'react'
import type { ReachCell, ReachGrid } from '../../api/types'
import { useNarrow } from '../../parts/useNarrow'

export const looks = {
  yes: { sign: '✓', color: 'moss', word: 'reaches' },
  no: { sign: '–', color: 'brick', word: 'does not reach' },
  sometimes: { sign: '?', color: 'ochre', word: 'now and then reaches' },
} as const

const headH = 124

/**
 * Plain elements throughout: there may be a thousand in sight, and the library's own cost a third of a second.
 *
 * A grid in the sense of ARIA: one stop of the Tab key, the arrows go from cell to cell. Only what is in sight is drawn, so that a house
 * of hundreds is as quick as one of five.
 */
export function ReachTable(props: {
  grid: ReachGrid
  name: (id: string) => string
  chosen: string | null
  choose: (cell: string) => void
}) {
  const { grid, name, chosen, choose } = props
  const narrow = useNarrow()
  const size = narrow ? 44 : 30
  const headW = narrow ? 118 : 168
  const columns = useMemo(() => ['isp', ...grid.things], [grid])
  const rows = grid.things
  const cells = useMemo(() => new Map(grid.cells.map((cell) => [`${cell.from}>${cell.to}`, cell])), [grid])
  const frame = useRef<HTMLDivElement>(null)
  const [at, setAt] = useState({ row: 0, column: 0 })
  const down = useVirtualizer({
    count: rows.length,
    getScrollElement: () => frame.current,
    estimateSize: () => size,
    overscan: 1,
    // The heads stand in the window too: what they would cover is not drawn.
    paddingStart: headH,
    scrollPaddingStart: headH,
  })
  const across = useVirtualizer({
    count: columns.length,
    getScrollElement: () => frame.current,
    estimateSize: () => size,
    horizontal: true,
    overscan: 1,
    paddingStart: headW,
    scrollPaddingStart: headW,
  })

  const go = (row: number, column: number) => {
    const to = {
      row: Math.min(Math.max(row, 0), rows.length - 1),
      column: Math.min(Math.max(column, 0), columns.length - 1),
    }
    setAt(to)
    down.scrollToIndex(to.row)
    across.scrollToIndex(to.column)
    // Once it is drawn.
    requestAnimationFrame(() =>
      requestAnimationFrame(() =>
        frame.current
          ?.querySelector<HTMLElement>(`[data-cell="${to.row}/${to.column}"]`)
          ?.focus({ preventScroll: true }),
      ),
    )
  }
  const keys = (event: KeyboardEvent) => {
    const { row, column } = at
    const page = Math.max(1, Math.floor((frame.current?.clientHeight ?? 300) / size) - 5)
    const ways: Record<string, [number, number]> = {
      ArrowDown: [row + 1, column],
      ArrowUp: [row - 1, column],
      ArrowRight: [row, column + 1],
      ArrowLeft: [row, column - 1],
      PageDown: [row + page, column],
      PageUp: [row - page, column],
      Home: [event.ctrlKey ? 0 : row, 0],
      End: [event.ctrlKey ? rows.length - 1 : row, columns.length - 1],
    }
    const way = ways[event.key]
    if (!way) return
    event.preventDefault()
    event.stopPropagation()
    go(...way)
  }

  const items = across.getVirtualItems()
  return (
    <div
      ref={frame}
      role="grid"
      aria-label="Who reaches whom"
      aria-rowcount={rows.length + 1}
      aria-colcount={columns.length + 1}
      className="grid"
      onKeyDown={keys}
    >
      <div
        style={{
          width: across.getTotalSize(),
          height: down.getTotalSize(),
          position: 'relative',
          ['--cell' as string]: `${size}px`,
        }}
      >
        <div role="row" tabIndex={-1} aria-rowindex={1} className="grid-heads" style={{ height: headH }}>
          <div
            role="columnheader"
            tabIndex={-1}
            aria-colindex={1}
            className="grid-corner"
            style={{ width: headW, height: headH }}
          >
            <span className="sr-only">Who asks</span>
          </div>
          {items.map((column) => (
            <div
              role="columnheader"
              tabIndex={-1}
              aria-colindex={column.index + 2}
              key={column.key}
              className="grid-column"
              style={{ left: column.start, width: size }}
              title={name(columns[column.index])}
            >
              <span dir="auto">{name(columns[column.index])}</span>
            </div>
          ))}
        </div>
        {down.getVirtualItems().map((row) => (
          <div
            role="row"
            tabIndex={-1}
            aria-rowindex={row.index + 2}
            key={row.key}
            className="grid-cells"
            style={{ top: row.start, height: size }}
          >
            <div
              role="rowheader"
              tabIndex={-1}
              aria-colindex={1}
              className="grid-row"
              style={{
                width: headW,
                marginRight: (items[0]?.start ?? headW) - headW,
                height: size,
                lineHeight: `${size}px`,
              }}
              dir="auto"
              title={name(rows[row.index])}
            >
              {name(rows[row.index])}
            </div>
            {items.map((column) => {
              const [from, to] = [rows[row.index], columns[column.index]]
              const place = `${from}>${to}`
              return (
                <Cell
                  key={column.key}
                  cell={cells.get(place)}
                  place={`${row.index}/${column.index}`}
                  index={column.index + 2}
                  label={`${name(from)}, ${name(to)}`}
                  on={chosen === place}
                  isStop={at.row === row.index && at.column === column.index}
                  choose={() => {
                    setAt({ row: row.index, column: column.index })
                    choose(place)
                  }}
                />
              )
            })}
          </div>
        ))}
      </div>
    </div>
  )
}

function Cell(props: {
  cell?: ReachCell
  place: string
  index: number
  label: string
  on: boolean
  isStop: boolean
  choose: () => void
}) {
  const { cell, place, index, label, on, isStop, choose } = props
  const look = cell && looks[cell.reachable]
  return (
    <div
      role="gridcell"
      aria-colindex={index}
      aria-selected={on}
      aria-label={cell ? `${label}: ${cell.reachable}${cell.byName ? ', by name too' : ''}` : 'itself'}
      data-cell={place}
      tabIndex={isStop ? 0 : -1}
      className={`cell ${cell?.reachable ?? 'itself'}`}
      onClick={cell && choose}
      onKeyDown={(event) => {
        if (cell && (event.key === 'Enter' || event.key === ' ')) {
          event.preventDefault()
          choose()
        }
      }}
    >
      {look && `${look.sign}${cell.byName ? '•' : ''}`}
    </div>
  )
}
