import { Box, Flex, Text } from '@chakra-ui/react'
import { useQuery } from '@tanstack/react-query'
import { Suspense, useEffect, useLayoutEffect, useMemo, useRef, useState } from 'react'
import { trace as traceQuery } from '../../api/queries'
import type { HouseView } from '../../api/types'
import { addressWords } from '../../features/address/addressWords'
import { useLine } from '../../features/line/useLine'
import { useJob } from '../../layout/JobContext'
import { useStageTools } from '../../layout/stageTools'
import { useSuspects } from '../../layout/useSuspects'
import { AddressText } from '../../parts/AddressText'
import { Foot } from '../../parts/Foot'
import { OutsideText } from '../../parts/OutsideText'
import { Press } from '../../parts/Press'
import { nameOf } from '../../parts/words'
import { useHand } from '../../state/hand'
import { useMarks } from '../../state/marks'
import { useTraced } from '../../state/trace'
import { BoxCard } from './BoxCard'
import { Carried } from './Carried'
import { type Drop, dropEvent, placeOf } from './dragKind'
import { place } from './layout/place'
import { Picture } from './Picture'
import { BoxInspector, HandBar, KindBar, LineInspector, MarkedBar, ThingInspector } from './panels'
import { socketAt, socketOf } from './SocketButton'
import { ThingCard } from './ThingCard'
import { litBy } from './TraceList'
import { TreadLabel } from './TreadLabel'
import { useCableMoves } from './useCableMoves'
import { useCard } from './useCard'
import { usePlaceKind } from './usePlaceKind'
import { useRoving } from './useRoving'
import { useSeen } from './useSeen'

/** Which treads say something else than before: they are traced once. */
function useChanged(house: HouseView): Set<string> {
  const before = useRef<{ revision: number; texts: Map<string, string> } | null>(null)
  const [changed, setChanged] = useState<Set<string>>(new Set())
  useEffect(() => {
    const texts = new Map(house.stairs.treads.map((tread) => [tread.segment, JSON.stringify(tread)]))
    const old = before.current
    if (old && old.revision !== house.revision)
      setChanged(
        new Set(
          [...texts].filter(([segment, text]) => old.texts.get(segment) !== text).map(([segment]) => segment),
        ),
      )
    before.current = { revision: house.revision, texts }
  }, [house])
  return changed
}

/** @param isLook To be looked at only: no panels, no cables to be moved. */
export function Stairs({ isLook = false }: { isLook?: boolean }) {
  const { addBox: onAddBox, showReach: onReach } = useStageTools()
  const { house, selected, side, job } = useJob()
  const traced = useTraced((store) => store.traced)
  const isTraced = traced !== null && traced === selected
  const followed = useQuery({
    ...traceQuery(job.id, side, job.version, traced ?? ''),
    enabled: isTraced,
  })
  const lit = useMemo(() => litBy(isTraced ? followed.data : undefined), [isTraced, followed.data])
  const suspects = useSuspects()
  const held = useHand((hand) => hand.held)
  const kind = useHand((hand) => hand.kind)
  const placeKind = usePlaceKind()
  const isMarking = useMarks((store) => store.marked.length > 0)
  const ground = useRef<HTMLDivElement>(null)
  const stairs = useRef<HTMLDivElement>(null)
  const [lineOpen, openLine] = useLine()
  const [width, setWidth] = useState(0)
  useLayoutEffect(() => {
    const node = ground.current
    if (!node) return
    // The frame is measured, not the picture in it: a wide picture must not make room for a wider one.
    const measure = () => {
      const { paddingLeft, paddingRight } = getComputedStyle(node)
      setWidth(node.clientWidth - Number.parseFloat(paddingLeft) - Number.parseFloat(paddingRight))
    }
    const watch = new ResizeObserver(measure)
    watch.observe(node)
    measure()
    return () => watch.disconnect()
  }, [])

  const joined = useMemo(() => new Map(house.joined.map((join) => [join.thing, join.box])), [house])
  const placed = useMemo(
    () => (width > 0 ? place(house.document, house.stairs, joined, width, house.uplinks) : null),
    [house, joined, width],
  )
  const isPlaced = placed !== null
  const marks = useMemo(
    () => new Map([...house.boxes, ...house.things].map((one) => [one.id, one.mark ?? undefined])),
    [house],
  )
  const about = useMemo(() => new Map(house.boxes.map((one) => [one.id, one])), [house])
  const own = useMemo(
    () =>
      new Map(
        house.interfaces
          .filter((one) => one.interface === 'lan')
          .map((one) => [one.owner, one.candidates[0]?.address ?? undefined]),
      ),
    [house],
  )
  const { isSeen, show } = useSeen(stairs, house.boxes.length + house.things.length)
  const roving = useRoving(stairs, selected, (end) => {
    const ids = (placed?.treads ?? []).flatMap((tread) => [
      ...tread.boxes.map((box) => box.device.id),
      ...tread.things.map((one) => one.endpoint.id),
    ])
    show(end === 'Home' ? ids[0] : ids.at(-1))
  })
  const isDrawn = (id: string, at: { y: number; h: number }) => id === selected || isSeen(id, at)
  const { take, carry } = useCableMoves()
  const changed = useChanged(house)
  const devices = house.document.devices ?? []
  const device = devices.find((one) => one.id === selected)
  const thing = (house.document.endpoints ?? []).find((one) => one.id === selected)
  const line = house.document.line

  const putDown = ({ socket, box, segment }: Drop) => {
    const at = socket ? socketOf(socket) : null
    if (at) return () => void placeKind.putInto(at)
    if (box) return () => void placeKind.putAtBox(box)
    if (segment) return () => void placeKind.putOnTread(segment)
    return null
  }
  const latest = useRef(putDown)
  latest.current = putDown
  useEffect(() => {
    if (isLook) return
    const drop = (event: Event) => latest.current((event as CustomEvent<Drop>).detail)?.()
    window.addEventListener(dropEvent, drop)
    return () => window.removeEventListener(dropEvent, drop)
  }, [isLook])

  useEffect(() => {
    if (!selected || !isPlaced) return
    const card = document.querySelector(
      `[data-box="${CSS.escape(selected)}"], [data-thing="${CSS.escape(selected)}"]`,
    )
    card?.scrollIntoView?.({ block: 'nearest' })
  }, [selected, isPlaced])

  return (
    <Flex direction="column" minH="100%">
      <Box ref={ground} className="stairs-ground" px={{ base: '12px', md: '24px' }} pt="14px" flex="1">
        <Box
          ref={stairs}
          {...roving}
          onClickCapture={(event) => {
            if (isLook || !kind) return
            // What is in the hand goes where is pressed; nothing is opened by it.
            const put = putDown(placeOf(event.target as Element))
            if (!put) return
            event.stopPropagation()
            put()
          }}
          onClick={(event) => {
            const socket = isLook ? null : socketAt(event.target)
            if (socket) take(socket)
          }}
          onPointerDown={(event) => {
            const socket = isLook || kind ? null : socketAt(event.target)
            if (socket) carry(socket, event)
          }}
          className="picture"
          position="relative"
          style={{
            height: placed?.height,
            minWidth: placed && placed.width > width ? placed.width : undefined,
          }}
        >
          {placed && (
            <>
              <Picture
                placed={placed}
                selected={selected}
                changed={changed}
                revision={house.revision}
                lit={lit}
                isSeen={isSeen}
              />
              <Flex
                position="absolute"
                top="4px"
                left="0"
                right="0"
                gap="8px"
                align="baseline"
                wrap="nowrap"
                css={{ overflowX: 'clip', overflowY: 'visible' }}
                h="26px"
              >
                <Text as="h2" fontWeight="700" fontSize="17px" whiteSpace="nowrap">
                  The street
                </Text>
                {!isLook && (
                  <Press
                    kind="plain"
                    minH="24px"
                    minW="44px"
                    py="0"
                    position="relative"
                    _after={{ content: '""', position: 'absolute', inset: '-10px -2px' }}
                    aria-expanded={lineOpen}
                    onClick={openLine}
                  >
                    {line ? 'its line' : 'note its line'}
                  </Press>
                )}
                {line ? (
                  <OutsideText fontSize="text">{house.stairs.streetAddresses.join(', ')}</OutsideText>
                ) : (
                  <Text fontSize="small" color="ochre" whiteSpace="nowrap">
                    no line comes in: nothing here reaches the internet
                  </Text>
                )}
                {line && (
                  <Text fontSize="small" color="quiet" whiteSpace="nowrap">
                    {line.addressing === 'shared' ? 'shared among customers' : 'public'}
                    {line.technology && width > 480 ? ` · ${line.technology}` : ''}
                    {line.downMbps && width > 480 ? ` ${line.downMbps}/${line.upMbps ?? '?'} Mb/s` : ''}
                  </Text>
                )}
              </Flex>
              {kind &&
                placed.treads.map((tread) => (
                  <Box
                    key={tread.tread.segment}
                    data-ground={tread.tread.segment}
                    position="absolute"
                    style={{ left: tread.x, top: tread.y, width: tread.w, height: tread.h }}
                    border="2px dashed"
                    borderColor="spruce"
                    borderRadius="4px"
                  />
                ))}
              <Box as="ul" aria-label="Stairs" listStyleType="none">
                {placed.treads.map((tread) => (
                  <li key={tread.tread.segment} data-tread>
                    {isSeen(null, tread) && <TreadLabel tread={tread} house={house} isLook={isLook} />}
                    <ul aria-label="On it" style={{ listStyleType: 'none' }}>
                      {tread.boxes
                        .filter((box) => isDrawn(box.device.id, box))
                        .map((box) => (
                          <BoxCard
                            key={box.device.id}
                            box={box}
                            house={house}
                            on={selected === box.device.id}
                            mark={marks.get(box.device.id)}
                            words={about.get(box.device.id)}
                            own={own.get(box.device.id)}
                            suspect={suspects.get(box.device.id)}
                          />
                        ))}
                      {tread.things
                        .filter((one) => isDrawn(one.endpoint.id, one))
                        .map((one) => (
                          <ThingCard
                            key={one.endpoint.id}
                            {...one}
                            {...addressWords(house, one.endpoint, tread.tread.subnets)}
                            on={selected === one.endpoint.id}
                            mark={marks.get(one.endpoint.id)}
                          />
                        ))}
                    </ul>
                  </li>
                ))}
              </Box>
              {placed.radios
                .filter((radio) => isSeen(null, { y: radio.label.y, h: 20 }))
                .map((radio) => (
                  <Text
                    key={radio.id}
                    position="absolute"
                    maxW={`${placed.width - radio.label.x - 4}px`}
                    truncate
                    left={`${radio.label.x}px`}
                    top={`${radio.label.y}px`}
                    fontSize="note"
                    color="quiet"
                    pointerEvents="none"
                  >
                    {radio.label.box && 'on Wi-Fi '}
                    <AddressText fontSize="13.5px" color="ink">
                      {radio.label.ssid}
                    </AddressText>
                    {radio.label.box && ` of ${nameOf(house.document, radio.label.box)}`}
                  </Text>
                ))}
              {placed.loose && (
                <Box position="absolute" left="0" right="0" top={`${placed.loose.y}px`}>
                  <Text fontWeight="700" fontSize="small" color="ochre">
                    On nothing: neither plugged in nor joined
                  </Text>
                  <Flex gap="10px" wrap="wrap" mt="6px">
                    {placed.loose.ids.map((id) => (
                      <LooseCard key={id} id={id} name={nameOf(house.document, id)} />
                    ))}
                  </Flex>
                </Box>
              )}
            </>
          )}
        </Box>
        {!isLook && devices.length <= 1 && (house.document.endpoints ?? []).length === 0 && (
          <Box py="16px" maxW="520px">
            <Text mb="10px">
              This house has one box and nothing else yet. Add the second box and the things that use the
              network; what is wrong shows at once. A box may stand on the table without a cable.
            </Text>
          </Box>
        )}
        {!isLook && (
          <Flex gap="12px" py="12px" align="center" wrap="wrap">
            <Press onClick={onAddBox}>Add a box or a thing</Press>
            {(house.document.endpoints ?? []).length > 0 && <Press onClick={onReach}>Who reaches whom</Press>}
            <Text className="no-print" hideBelow="md" fontSize="note" color="quiet">
              {held
                ? 'Now press the socket where the cable shall go. Esc puts it down.'
                : `Press a box, a thing or a socket; drag a cable’s end to another socket. ${side === 'found' ? 'What you change here corrects the record.' : 'What you change here is planned.'}`}
            </Text>
          </Flex>
        )}
      </Box>
      <Suspense>
        {isLook ? null : kind ? (
          <KindBar />
        ) : held ? (
          <HandBar />
        ) : lineOpen ? (
          <LineInspector />
        ) : device ? (
          <BoxInspector key={device.id} device={device} />
        ) : thing ? (
          <ThingInspector key={thing.id} thing={thing} />
        ) : isMarking ? (
          <Foot>
            <MarkedBar />
          </Foot>
        ) : null}
      </Suspense>
      {!isLook && <Carried />}
    </Flex>
  )
}

function LooseCard({ id, name }: { id: string; name: string }) {
  const { selected } = useJob()
  const on = selected === id
  const press = useCard(id, on)
  return (
    <Box
      as="button"
      tabIndex={-1}
      data-rove="card"
      maxW="100%"
      minH="press"
      overflowWrap="anywhere"
      dir="auto"
      border="1.5px dashed"
      borderColor="quiet"
      bg="sheet"
      px="10px"
      py="6px"
      borderRadius="3px"
      aria-pressed={on}
      data-thing={id}
      onClick={press}
    >
      {name}
    </Box>
  )
}
