import { Box } from '@chakra-ui/react'
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
    overscan: 6,
  })
  const across = useVirtualizer({
    count: columns.length,
    getScrollElement: () => frame.current,
    estimateSize: () => size,
    horizontal: true,
    overscan: 6,
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
    <Box
      ref={frame}
      role="grid"
      aria-label="Who reaches whom"
      aria-rowcount={rows.length + 1}
      aria-colcount={columns.length + 1}
      overflow="auto"
      maxH={{ base: '56vh', md: 'calc(100dvh - 290px)' }}
      position="relative"
      fontSize="13px"
      onKeyDown={keys}
    >
      <Box
        w={`${headW + across.getTotalSize()}px`}
        h={`${headH + down.getTotalSize()}px`}
        position="relative"
      >
        <Box role="row" aria-rowindex={1} position="sticky" top="0" zIndex="2" h={`${headH}px`} bg="sheet">
          <Box role="columnheader" aria-colindex={1} position="absolute" left="0" w={`${headW}px`}>
            <span className="sr-only">Who asks</span>
          </Box>
          {items.map((column) => (
            <Box
              role="columnheader"
              aria-colindex={column.index + 2}
              key={column.key}
              position="absolute"
              left={`${headW + column.start}px`}
              bottom="2px"
              w={`${size}px`}
              h="118px"
              display="grid"
              placeItems="end center"
              title={name(columns[column.index])}
            >
              <Box
                css={{ writingMode: 'vertical-rl', textOrientation: 'sideways', transform: 'rotate(180deg)' }}
                maxH="116px"
                overflow="hidden"
                textOverflow="ellipsis"
                whiteSpace="nowrap"
                fontWeight="600"
                dir="auto"
              >
                {name(columns[column.index])}
              </Box>
            </Box>
          ))}
        </Box>
        {down.getVirtualItems().map((row) => (
          <Box
            role="row"
            aria-rowindex={row.index + 2}
            key={row.key}
            position="absolute"
            top={`${headH + row.start}px`}
            left="0"
            h={`${size}px`}
            w="100%"
          >
            <Box
              role="rowheader"
              aria-colindex={1}
              position="sticky"
              left="0"
              zIndex="1"
              w={`${headW}px`}
              h={`${size}px`}
              lineHeight={`${size}px`}
              pr="8px"
              bg="sheet"
              fontWeight="600"
              truncate
              dir="auto"
              title={name(rows[row.index])}
            >
              {name(rows[row.index])}
            </Box>
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
                  x={headW + column.start}
                  size={size}
                  choose={() => {
                    setAt({ row: row.index, column: column.index })
                    choose(place)
                  }}
                />
              )
            })}
          </Box>
        ))}
      </Box>
    </Box>
  )
}

function Cell(props: {
  cell?: ReachCell
  place: string
  index: number
  label: string
  on: boolean
  isStop: boolean
  x: number
  size: number
  choose: () => void
}) {
  const { cell, place, index, label, on, isStop, x, size, choose } = props
  const look = cell && looks[cell.reachable]
  return (
    <Box
      role="gridcell"
      aria-colindex={index}
      aria-selected={on}
      aria-label={cell ? `${label}: ${cell.reachable}${cell.byName ? ', by name too' : ''}` : 'itself'}
      data-cell={place}
      tabIndex={isStop ? 0 : -1}
      position="absolute"
      top="0"
      left={`${x}px`}
      w={`${size}px`}
      h={`${size}px`}
      lineHeight={`${size - 2}px`}
      textAlign="center"
      border="1px solid"
      borderColor="hairline"
      bg={cell ? (on ? 'spruceWash' : 'sheet') : 'hairline'}
      color={look?.color}
      fontWeight="700"
      cursor={cell ? 'pointer' : undefined}
      onClick={cell && choose}
      onKeyDown={(event) => {
        if (cell && (event.key === 'Enter' || event.key === ' ')) {
          event.preventDefault()
          choose()
        }
      }}
    >
      {look?.sign}
      {cell?.byName ? '•' : ''}
    </Box>
  )
}
