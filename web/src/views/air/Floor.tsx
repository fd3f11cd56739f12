import './air.css'
import { Box, Text } from '@chakra-ui/react'
import { useQuery } from '@tanstack/react-query'
import { useRef } from 'react'
import { triedAt } from '../../api/queries'
import type { AirView } from '../../api/types'
import { useJob, useTools } from '../../layout/JobContext'
import { useNarrow } from '../../parts/useNarrow'
import { useWidth } from '../../parts/useWidth'
import { nameOf } from '../../parts/words'
import { say } from '../../state/notices'
import { arcs } from './arcs'
import { boxOf, FloorRoom } from './FloorRoom'
import { frameOf } from './frame'
import { LookContext, useLook } from './look'
import { clearOf, placesOf } from './places'
import { type FloorSheet, rate, rectOf } from './sheets'
import { type Carried, useCarry } from './useCarry'
import { type Drawn, useDraw } from './useDraw'

/** A floor with its rooms, the boxes where they stand, and the radio links between them. A box is carried by the finger, and every room says at once what it would then get. */
export function Floor(props: {
  view: AirView
  sheet: FloorSheet | undefined
  chosen: string | null
  choose: (id: string) => void
  drawing: boolean
  draw: (drawn: Drawn) => void
}) {
  const { view, sheet, chosen, choose, drawing, draw } = props
  const { job, side, house } = useJob()
  const { act } = useTools()
  const narrow = useNarrow()
  const { look, found, show } = useLook()
  const outer = useRef<HTMLDivElement>(null)
  const floor = useRef<HTMLDivElement>(null)
  const width = useWidth(outer)
  const frame = frameOf(sheet, width, narrow ? 420 : 440, drawing ? (narrow ? 3 : 4) : 0)
  const rooms = sheet?.rooms ?? []
  const places = sheet ? placesOf(view, sheet, frame) : []
  const nameFor = (id: string | null) => (id ? nameOf(house.document, id) : undefined)

  const put = async ({ id, at, room }: Carried) => {
    if (!room) return
    const stander = view.standers.find((one) => one.id === id)
    const moves = stander?.room !== room.id
    const isThing = stander?.kind === 'thing'
    const place = [at.x, at.y]
    // As found it is written down where it stands; in the plan a box that changes its room is carried there.
    const deed =
      side === 'planned' && moves && !isThing
        ? { do: 'carry-device', device: id, room: room.id, at: place }
        : { do: 'place-at', id, room: room.id, at: place }
    const problem = await act([deed as never])
    if (problem) say(problem.message, 'problem')
  }
  const carry = useCarry({ frame, rooms, element: () => floor.current, drop: put, press: choose })
  const drawer = useDraw({ frame, rooms, element: () => floor.current, done: draw })
  const { carried } = carry
  const isBox = carried && view.standers.find((one) => one.id === carried.id)?.kind !== 'thing'
  const { data: tried } = useQuery(
    triedAt(
      job.id,
      side,
      job.version,
      carried?.room && isBox
        ? { device: carried.id, room: carried.room.id, x: carried.at.x, y: carried.at.y }
        : null,
    ),
  )
  const live = carried && isBox && tried ? { rooms: tried.spot.rooms, says: 'where it is held' } : look
  const drawn = drawer.drawn

  // The links of a box that is held go along.
  const at = new Map(
    places.map((one) => [
      one.stander.id,
      carried?.id === one.stander.id ? { ...one, x: frame.x(carried.at.x), y: frame.y(carried.at.y) } : one,
    ]),
  )
  const links = view.links.flatMap((link) => {
    const [from, to] = [at.get(link.from), at.get(link.to)]
    return from && to ? [{ link, from, to }] : []
  })
  return (
    <LookContext.Provider value={{ look: live, found, show }}>
      <Box ref={outer} w="100%">
        {width > 0 && (
          <div
            ref={floor}
            className={drawing ? 'floor drawing' : 'floor'}
            style={{
              width: frame.width,
              height: frame.height,
              backgroundSize: drawing ? `${frame.scale}px ${frame.scale}px` : undefined,
            }}
            role="group"
            aria-label={sheet?.label ?? 'A floor to draw on'}
            {...(drawing ? drawer.ground : {})}
          >
            {rooms.map((room) => {
              const rect = rectOf(room)
              return (
                rect && (
                  <FloorRoom
                    key={room.id}
                    view={view}
                    room={room}
                    rect={drawn?.of?.id === room.id ? drawn.rect : rect}
                    frame={frame}
                    from={nameFor(room.device)}
                    drawing={drawing}
                    grip={drawing ? drawer.grip(room) : undefined}
                  />
                )
              )
            })}
            {drawn && (
              <div className={`room ${drawn.clashes ? 'refused' : 'new'}`} style={boxOf(frame, drawn.rect)}>
                <Text fontSize="note" fontWeight="650">
                  {drawn.clashes
                    ? `${drawn.clashes} is there`
                    : `${drawn.rect.width} × ${drawn.rect.depth} m`}
                </Text>
              </div>
            )}
            {!drawing && (
              <>
                <svg className="links" aria-hidden>
                  <title>Radio links</title>
                  {links.map(({ link, from, to }) => (
                    <g key={`${link.from} ${link.to}`} className={link.isWeak ? 'weak' : undefined}>
                      <path d={arcs({ x: to.x + 8, y: to.y }, { x: from.x + 8, y: from.y })} />
                    </g>
                  ))}
                </svg>
                {links
                  .filter(({ link }) => link.isWeak)
                  .map(({ link, from, to }) => (
                    <Text
                      as="span"
                      key={`${link.from} ${link.to}`}
                      className="level"
                      color={link.isWeak ? 'brick' : 'ink'}
                      style={clearOf(places, from, to)}
                      title={link.says}
                    >
                      {Math.round(link.levelDbm)} dBm
                    </Text>
                  ))}
                {places.map((one) => {
                  const held = carried?.id === one.stander.id
                  return (
                    <button
                      key={one.stander.id}
                      type="button"
                      className={`stander ${one.stander.kind}${one.onLeft ? ' left' : ''}${chosen === one.stander.id ? ' chosen' : ''}${held ? ' lifted' : ''}`}
                      style={
                        held
                          ? { left: frame.x(carried.at.x), top: frame.y(carried.at.y) }
                          : { left: one.x, top: one.y }
                      }
                      aria-pressed={chosen === one.stander.id}
                      aria-label={one.stander.name}
                      title={`${one.stander.name}. Press it to see where it should stand; drag it, or move it by the arrows and press Enter.`}
                      {...carry.events(one)}
                    >
                      <i />
                      <span style={{ maxWidth: one.letters }}>{one.letters > 24 && one.stander.name}</span>
                    </button>
                  )
                })}
              </>
            )}
          </div>
        )}
        {carried && (
          <Text textStyle="small" mt="6px" role="status">
            {carried.room
              ? tried && isBox
                ? `${nameFor(carried.id)} in ${carried.room.name}: ${
                    tried.spot.joins
                      ? `hears ${nameFor(tried.spot.joins)} at ${Math.round(tried.spot.levelDbm ?? 0)} dBm; `
                      : ''
                  }the least is ${rate(tried.spot.worstMbps ?? 0)} Mb/s in ${
                    view.rooms.find((room) => room.id === tried.spot.worstRoom)?.name ?? tried.spot.worstRoom
                  }.${tried.lost.length ? ` Without Wi-Fi: ${tried.lost.join(', ')}.` : ''}${
                    tried.unplugs.length ? ` Comes out of it: ${tried.unplugs.join(', ')}.` : ''
                  }`
                : `In ${carried.room.name}.`
              : 'Outside every room: it goes back where it was.'}
          </Text>
        )}
      </Box>
    </LookContext.Provider>
  )
}
