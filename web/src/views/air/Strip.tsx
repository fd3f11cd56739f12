import './air.css'
import { Box, Text } from '@chakra-ui/react'
import { useId, useRef } from 'react'
import type { Action, BandStrip } from '../../api/types'
import { useJob, useTools } from '../../layout/JobContext'
import { useWidth } from '../../parts/useWidth'
import { say } from '../../state/notices'
import { RadioBlock } from './RadioBlock'
import { rowsOf, stops } from './stripLayout'

const rowPx = 26
const widestPx = 900

/** One band as a ruler of channels: radios of the house as brackets, neighbours hatched, what is forbidden crossed, radar ground marked. */
export function Strip({ strip }: { strip: BandStrip }) {
  const { house } = useJob()
  const { act } = useTools()
  const id = useId()
  const frame = useRef<HTMLDivElement>(null)
  const width = Math.min(useWidth(frame), widestPx)
  const span = strip.highMHz - strip.lowMHz
  const x = (mhz: number) => ((mhz - strip.lowMHz) / span) * width
  const own = rowsOf(
    strip.radios.map((radio) => ({
      id: `${radio.device} ${radio.radio}`,
      low: radio.channel == null ? strip.lowMHz : radio.lowMHz,
      high: radio.channel == null ? strip.highMHz : radio.highMHz,
    })),
    0.5,
  )
  const theirs = rowsOf(
    strip.neighbours.map((one, i) => ({ id: String(i), low: one.lowMHz, high: one.highMHz })),
    0.5,
  )
  const rows = Math.max(0, ...own.map((one) => one.row + 1))
  const below = Math.max(0, ...theirs.map((one) => one.row + 1))
  const axis = (rows + below) * rowPx + 4
  const radar = strip.channels.filter((one) => one.isRadar && one.why == null)
  const step = strip.band === '2.4' ? 5 : 20
  // As many numbers as have room beside each other.
  const label = Math.max(1, Math.ceil((strip.band === '2.4' ? 18 : 32) / ((step / span) * (width || 1))))

  const tune = async (device: string, radio: string, channel: number, widthMHz?: number) => {
    const wifi = house.document.devices?.find((box) => box.id === device)?.wifi ?? []
    const actions = wifi.flatMap((network, place) =>
      network.radio === radio
        ? [
            {
              do: 'set-wifi',
              device,
              place,
              network: { ...network, channel, widthMHz: widthMHz ?? network.widthMHz },
            },
          ]
        : [],
    )
    const problem = await act(actions as unknown as Action[])
    if (problem) say(problem.message, 'problem')
  }

  return (
    <Box as="section" aria-label={`${strip.band} GHz`} mb="18px">
      <Text fontWeight="700" mb="2px">
        {strip.band} GHz
      </Text>
      <div ref={frame}>
        {width > 0 && (
          <div className="strip" style={{ height: axis + 40, width }}>
            <svg width={width} height={axis + 40} aria-hidden className="ground">
              <title>Channels</title>
              <defs>
                <pattern id={`${id}x`} width="8" height="8" patternUnits="userSpaceOnUse">
                  <path d="M0 0L8 8M8 0L0 8" stroke="var(--chakra-colors-hatch)" strokeOpacity="0.35" />
                </pattern>
                <pattern id={`${id}r`} width="7" height="7" patternUnits="userSpaceOnUse">
                  <circle cx="2" cy="2" r="0.9" fill="var(--chakra-colors-hatch)" fillOpacity="0.45" />
                </pattern>
              </defs>
              {strip.channels.map((one) => {
                const [from, to] =
                  strip.band === '2.4'
                    ? [(one.lowMHz + one.highMHz) / 2 - 2.5, (one.lowMHz + one.highMHz) / 2 + 2.5]
                    : [one.lowMHz, one.highMHz]
                const fill = one.why ? `url(#${id}x)` : one.isRadar ? `url(#${id}r)` : undefined
                return (
                  fill && (
                    <rect
                      key={one.number}
                      x={x(from)}
                      y={0}
                      width={x(to) - x(from)}
                      height={axis}
                      fill={fill}
                    />
                  )
                )
              })}
              <line className="axis" x1={0} x2={width} y1={axis} y2={axis} />
              {strip.channels.map((one, i) => {
                const middle = x((one.lowMHz + one.highMHz) / 2)
                return (
                  <g key={one.number}>
                    <line className="tick" x1={middle} x2={middle} y1={axis} y2={axis + 5} />
                    {i % label === 0 && middle > 6 && middle < width - 4 && (
                      <text x={middle} y={axis + 18} textAnchor="middle">
                        {one.number}
                      </text>
                    )}
                  </g>
                )
              })}
              {radar.length > 0 && (
                <text
                  x={Math.min(
                    width - 90,
                    Math.max(90, (x(radar[0].lowMHz) + x(radar[radar.length - 1].highMHz)) / 2),
                  )}
                  y={axis + 34}
                  textAnchor="middle"
                  style={{ fontFamily: 'var(--chakra-fonts-body)' }}
                >
                  dotted: waits a minute for radar first
                </text>
              )}
            </svg>
            {strip.radios.map((radio) => {
              const block = own.find((one) => one.id === `${radio.device} ${radio.radio}`)
              return (
                block && (
                  <RadioBlock
                    key={block.id}
                    radio={radio}
                    block={block}
                    top={block.row * rowPx}
                    x={x}
                    perPx={span / width}
                    stops={radio.mayMove ? stops(strip, radio.widthMHz) : []}
                    tune={(channel) => tune(radio.device, radio.radio, channel)}
                  />
                )
              )
            })}
            {strip.neighbours.map((one, i) => {
              const block = theirs.find((other) => other.id === String(i))
              return (
                block && (
                  <div
                    key={block.id}
                    className="block theirs"
                    style={{
                      left: x(block.low),
                      width: x(block.high) - x(block.low),
                      top: (rows + block.row) * rowPx + 4,
                      backgroundImage:
                        'repeating-linear-gradient(135deg, transparent 0 5px, color-mix(in srgb, var(--chakra-colors-hatch) 26%, transparent) 5px 6px)',
                    }}
                    title={`${one.name}, a neighbour${one.levelDbm == null ? '' : `, ${one.levelDbm} dBm`}${one.room ? ` in ${one.room}` : ''}`}
                  >
                    <span>
                      {one.name} {one.levelDbm ?? ''}
                    </span>
                  </div>
                )
              )
            })}
          </div>
        )}
      </div>
      {step === 5 && strip.radios.some((one) => one.channel == null) && (
        <Text textStyle="note">
          A dashed bracket over the whole band picks its channel itself and may change it.
        </Text>
      )}
    </Box>
  )
}
