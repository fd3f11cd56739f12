import { Box, Flex, Heading, Spinner, Text } from '@chakra-ui/react'
import { useQuery } from '@tanstack/react-query'
import { useMemo, useState } from 'react'
import { air } from '../../api/queries'
import type { Action, AirView } from '../../api/types'
import { Country, Materials, wallWords } from '../../features/air/Materials'
import { useJob, useTools } from '../../layout/JobContext'
import { Press } from '../../parts/Press'
import { Problem } from '../../parts/Problem'
import { Segmented } from '../../parts/Segmented'
import { useNarrow } from '../../parts/useNarrow'
import { say } from '../../state/notices'
import { Channels } from './Channels'
import { DrawPanel } from './DrawPanel'
import { Floor } from './Floor'
import { type Look, LookContext } from './look'
import { Measured } from './Measured'
import { NameRoom } from './NameRoom'
import { Names } from './Names'
import { RoomList } from './RoomList'
import { SayRoom } from './SayRoom'
import { type FloorSheet, sheetsOf } from './sheets'
import type { Drawn } from './useDraw'
import { WhatElse } from './WhatElse'
import { WhereToStand } from './WhereToStand'

/** Who hears whom, on which channel, and where a box should stand. */
export function AirPage() {
  const { job, side, house } = useJob()
  const { data, error } = useQuery({ ...air(job.id, side, job.version), placeholderData: (old) => old })
  const before = useQuery({
    ...air(job.id, 'found', job.version),
    enabled: side === 'planned',
    placeholderData: (old) => old,
  }).data
  const found = useMemo(
    () =>
      side === 'planned' && before
        ? new Map(before.rooms.map((room) => [room.id, room.mbps ?? 0]))
        : undefined,
    [side, before],
  )
  const [look, show] = useState<Look>(null)
  const [chosen, choose] = useState<string | null>(null)
  // What was held against another house says nothing of this one.
  const house_ = `${side} ${job.version}`
  const [lookedAt, setLookedAt] = useState(house_)
  if (lookedAt !== house_) {
    setLookedAt(house_)
    show(null)
  }
  return (
    <LookContext.Provider value={{ look, found, show }}>
      <Box px={{ base: '16px', md: '24px' }} py="16px" maxW="980px">
        <Heading as="h2" textStyle="stage" mb="8px" tabIndex={-1} data-next>
          Air
        </Heading>
        <Problem>{error?.message}</Problem>
        {!data && !error && <Spinner color="spruce" aria-label="Reckoning the air" />}
        {data && (house.document.devices ?? []).length === 0 && (
          <Text mb="12px">
            No box yet, so nothing is on the air. Begin at Visit; rooms may be drawn already.
          </Text>
        )}
        {data && (
          <>
            {!data.isLawKnown && (
              <Flex gap="4px 16px" wrap="wrap" align="end" mb="12px">
                <Country />
                <Text textStyle="small" color="ochre" fontWeight="650" flex="1 1 300px">
                  {data.country
                    ? `Nobody here knows the rules of “${data.country}”: write the country in two letters, such as GB.`
                    : 'In which country is the house? It decides which channels and powers are lawful; until then channels stay as found.'}
                </Text>
              </Flex>
            )}
            <Plan view={data} chosen={chosen} choose={choose} />
            <WhereToStand view={data} chosen={chosen} choose={choose} />
            <WhatElse />
            <Channels view={data} />
            <Names />
            <Measured view={data} />
          </>
        )}
      </Box>
    </LookContext.Provider>
  )
}

/** The floors, drawn or to be drawn, and the rooms as a list. On a phone the list comes first. */
function Plan(props: { view: AirView; chosen: string | null; choose: (id: string) => void }) {
  const { view, chosen, choose } = props
  const { house } = useJob()
  const { act } = useTools()
  const narrow = useNarrow()
  const sheets = sheetsOf(view)
  const [at, setAt] = useState<string | null>(null)
  const [drawing, setDrawing] = useState(false)
  const [floorShown, setFloorShown] = useState(false)
  const [listShown, setListShown] = useState(false)
  const [named, setNamed] = useState<Drawn | null>(null)
  const [extra, setExtra] = useState<FloorSheet | null>(null)
  const all = extra && !sheets.some((one) => one.key === extra.key) ? [...sheets, extra] : sheets
  const sheet = all.find((one) => one.key === at) ?? all[0]
  const waiting = (house.document.rooms ?? []).filter((room) => !room.rect).map((room) => room.name)

  const draw = async (drawn: Drawn) => {
    if (!drawn.of) return setNamed(drawn)
    const room = house.document.rooms?.find((one) => one.id === drawn.of?.id)
    const { x, y, width, depth } = drawn.rect
    const problem = await act([
      { do: 'draw-room', room: { ...room, rect: [x, y, width, depth] } } as unknown as Action,
    ])
    if (problem) say(problem.message, 'problem')
  }
  const another = () => {
    const top = Math.max(-1, ...sheets.filter((one) => !one.building).map((one) => one.floor)) + 1
    const fresh = { key: `|${top}`, building: null, floor: top, label: `Floor ${top}`, rooms: [] }
    setExtra(fresh)
    setAt(fresh.key)
  }
  const showFloor = drawing || (view.isDrawn && (!narrow || floorShown))
  const walls = wallWords.find((one) => one.value === view.walls)?.label
  return (
    <Box>
      {narrow && !drawing && view.rooms.length > 0 && <RoomList view={view} />}
      <Flex gap="8px 12px" wrap="wrap" align="center" mt={{ base: '10px', md: 0 }} mb="8px">
        {showFloor && all.length > 1 && (
          <Segmented
            label="Floor"
            value={sheet?.key ?? ''}
            options={all.map((one) => ({ value: one.key, label: one.label }))}
            onChange={setAt}
          />
        )}
        {narrow && view.isDrawn && !drawing && (
          <Press aria-expanded={floorShown} onClick={() => setFloorShown(!floorShown)}>
            {floorShown ? 'Hide the floor' : 'Show the floor'}
          </Press>
        )}
        <Press kind={view.isDrawn || drawing ? 'other' : 'main'} onClick={() => setDrawing(!drawing)}>
          {drawing ? 'Done drawing' : view.isDrawn ? 'Draw' : 'Draw the floor'}
        </Press>
        {drawing && <Press onClick={another}>Another floor</Press>}
        {!narrow && view.isDrawn && !drawing && (
          <Press kind="plain" aria-expanded={listShown} onClick={() => setListShown(!listShown)}>
            {listShown ? 'Hide the list' : 'Rooms as a list'}
          </Press>
        )}
        {view.isDrawn && !drawing && (
          <Text textStyle="note" ml={{ md: 'auto' }}>
            what a phone may expect; {walls}, {view.floors} floors
            {view.lineMbps != null && `; the line brings ${view.lineMbps}`}
          </Text>
        )}
      </Flex>
      {drawing && (
        <Box mb="8px">
          <SayRoom
            names={waiting.map((name) => `${name} 4 by 5`)}
            drawn={(room) => setAt(`${room.building ?? ''}|${room.floor ?? 0}`)}
          />
          <Text textStyle="note">
            Or drag a rectangle on free ground; drag a room to move it, its corner to make it bigger. Half a
            metre is fine enough: it is a sketch for radio and cable lengths.
          </Text>
        </Box>
      )}
      {showFloor && (
        <Floor view={view} sheet={sheet} chosen={chosen} choose={choose} drawing={drawing} draw={draw} />
      )}
      {drawing && (
        <Box mt="10px">
          <Materials view={view} />
          {sheet && <DrawPanel sheet={sheet} />}
        </Box>
      )}
      {showFloor && !drawing && sheet && <Levels view={view} sheet={sheet} />}
      {!view.isDrawn && !drawing && view.rooms.length > 0 && (
        <Text textStyle="small" color="quiet" mb="6px">
          No floor is drawn: a couple of rooms apart counts as 10 m. The numbers are good enough to choose a
          room by; a drawn floor sharpens them.
        </Text>
      )}
      {view.rooms.length === 0 && !drawing && (
        <Text textStyle="small" color="quiet">
          No room is listed. Draw the floor, or write the rooms down at Visit: then it is known what each may
          expect.
        </Text>
      )}
      {!narrow && !drawing && (listShown || !view.isDrawn) && <RoomList view={view} />}
      {named && (
        <NameRoom
          rect={named.rect}
          floor={sheet?.floor ?? 0}
          building={sheet?.building ?? null}
          onClose={() => setNamed(null)}
        />
      )}
    </Box>
  )
}

/** The level of every radio link that begins or ends on the floor that is shown: on the drawing there is room for the weak ones alone. */
function Levels({ view, sheet }: { view: AirView; sheet: FloorSheet }) {
  const rooms = new Set(sheet.rooms.map((room) => room.id))
  const here = new Set(view.standers.filter((one) => one.room && rooms.has(one.room)).map((one) => one.id))
  const links = view.links.filter((link) => here.has(link.from) || here.has(link.to))
  if (links.length === 0) return null
  return (
    <Box as="ul" listStyleType="none" mt="6px" aria-label="Radio links of this floor">
      {links.map((link) => (
        <Text
          as="li"
          key={`${link.from} ${link.to}`}
          textStyle="small"
          color={link.isWeak ? 'brick' : undefined}
        >
          {link.isWeak && 'Weak: '}
          {link.says}
        </Text>
      ))}
    </Box>
  )
}
