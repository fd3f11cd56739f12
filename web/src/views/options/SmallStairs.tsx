import type { MiniTread } from '../../api/types'

const step = 26
const first = 14
const wide = 176

/** The Stairs of a plan in small: each translation a step down, each box on its tread; what is set anew is filled. */
export function SmallStairs({ treads }: { treads: MiniTread[] }) {
  const deepest = Math.max(0, ...treads.map((tread) => tread.depth))
  const levels = Array.from({ length: deepest + 1 }, (_, depth) =>
    treads.filter((one) => one.depth === depth),
  )
  const edge = (depth: number) => 8 + depth * step
  const y = (depth: number) => first + depth * step
  const height = y(deepest) + 30
  const says = levels
    .map((level, depth) => {
      const boxes = level.flatMap((tread) =>
        [tread.router, ...tread.boxes.map((box) => box.name)].filter(Boolean),
      )
      const place = depth === 0 ? 'The street' : `Step ${depth} down`
      return `${place}${level[0]?.subnet ? `, ${level.map((tread) => tread.subnet).join(', ')}` : ''}: ${boxes.join(', ') || 'no box'}`
    })
    .join('. ')
  return (
    <svg
      viewBox={`0 0 ${wide} ${height}`}
      width="100%"
      style={{ maxWidth: wide, height }}
      role="img"
      aria-label={says}
    >
      <defs>
        <pattern id="ground" width="5" height="5" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
          <path d="M0 0V5" stroke="currentColor" strokeWidth="0.8" opacity="0.5" />
        </pattern>
      </defs>
      {levels.map((level, depth) => {
        const routers = level.filter((tread) => tread.router)
        const boxes = level.flatMap((tread) => tread.boxes)
        const from = edge(depth)
        const room = (wide - from - 22) / Math.max(1, boxes.length)
        const gap = Math.min(22, room)
        return (
          <g key={depth}>
            {depth > 0 && (
              <rect
                x={from}
                y={y(depth)}
                width={(depth === deepest ? wide : edge(depth + 1)) - from}
                height="4"
                fill="url(#ground)"
              />
            )}
            {depth > 0 && (
              <path
                d={`M${from} ${y(depth - 1)}V${y(depth)}`}
                stroke="var(--chakra-colors-plum)"
                strokeWidth="1.6"
              />
            )}
            <path
              d={`M${depth === 0 ? 0 : from} ${y(depth)}H${depth === deepest ? wide : edge(depth + 1)}`}
              stroke="currentColor"
              strokeWidth="1.2"
            />
            {routers.map((tread, i) => (
              <rect
                key={tread.router}
                x={from - 6 + i * 5}
                // At the foot of its step: higher up stands the subnet of the tread above.
                y={y(depth) - 10 - i * 3}
                width="12"
                height="9"
                fill={tread.isChanged ? 'var(--chakra-colors-spruce)' : 'var(--chakra-colors-paper)'}
                stroke="currentColor"
              />
            ))}
            {boxes.map((box, i) => (
              <g key={box.name} transform={`translate(${from + 14 + i * gap} ${y(depth)})`}>
                <rect
                  y="-8"
                  width={Math.min(12, gap - 3)}
                  height="8"
                  fill={box.isChanged ? 'var(--chakra-colors-spruce)' : 'var(--chakra-colors-paper)'}
                  stroke="currentColor"
                />
                {box.byRadio && (
                  <path
                    d="M-7 -3q2 -4 4 0M-3 -3q2 -4 4 0"
                    transform="translate(-2 0)"
                    fill="none"
                    stroke="currentColor"
                  />
                )}
              </g>
            ))}
            {depth > 0 && level[0]?.subnet && (
              <text
                x={wide}
                y={y(depth) + 15}
                textAnchor="end"
                fill="currentColor"
                style={{ fontSize: 10, letterSpacing: '-0.4px', fontFamily: 'var(--chakra-fonts-mono)' }}
              >
                {level.length > 1 ? `${level.length} subnets` : level[0].subnet}
              </text>
            )}
          </g>
        )
      })}
    </svg>
  )
}
