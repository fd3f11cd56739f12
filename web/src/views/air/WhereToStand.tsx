import { Box, Flex, Heading, Spinner, Text } from '@chakra-ui/react'
import { useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import { standing as standingQuery } from '../../api/queries'
import type { AirView, Spot, Standing } from '../../api/types'
import { useJob, useTools } from '../../layout/JobContext'
import { Choice } from '../../parts/Choice'
import { Press } from '../../parts/Press'
import { Problem } from '../../parts/Problem'
import { nameOf } from '../../parts/words'
import { LookList } from './LookList'
import { useLook } from './look'
import { rate } from './sheets'

/** Where a box should stand: where it does, what the rule of thumb gives, and what trying every place gives, with the numbers of each. */
export function WhereToStand(props: {
  view: AirView
  chosen: string | null
  choose: (id: string | null) => void
}) {
  const { view, chosen, choose } = props
  const { job, side } = useJob()
  const boxes = view.standers.filter(
    (one) => one.kind === 'sends' || (one.kind === 'box' && (one.joins != null || one.isAtHand)),
  )
  const joined = view.links.map((link) => link.from)
  const about =
    chosen && boxes.some((one) => one.id === chosen)
      ? chosen
      : (view.links.find((link) => link.isWeak)?.from ?? joined[0] ?? boxes[0]?.id ?? '')
  const { data, error, isFetching } = useQuery(
    standingQuery(job.id, side, job.version, view.rooms.length ? about : ''),
  )
  if (boxes.length === 0 || view.rooms.length === 0) return null
  return (
    <Box as="section" aria-label="Where should it stand?" mt="22px">
      <Heading as="h3" textStyle="section" mb="6px">
        Where should it stand?
      </Heading>
      <Flex gap="10px" align="end" wrap="wrap" mb="6px">
        <Choice
          label="Box"
          width="230px"
          value={about}
          options={boxes.map((one) => ({
            value: one.id,
            label: one.isAtHand ? `${one.name} (on the table)` : one.name,
          }))}
          onChange={choose}
        />
        {isFetching && (
          <Text textStyle="note" pb="6px" role="status">
            <Spinner size="xs" mr="6px" /> trying every place …
          </Text>
        )}
      </Flex>
      <Problem>{error?.message}</Problem>
      {data && <Places data={data} />}
    </Box>
  )
}

function Places({ data }: { data: Standing }) {
  const { house } = useJob()
  const { plan } = useTools()
  const { look, show } = useLook()
  const rooms = house.document.rooms ?? []
  const roomName = (id: string | null) => rooms.find((room) => room.id === id)?.name ?? id ?? ''
  const box = house.document.devices?.find((one) => one.id === data.device)
  const sameRoom = (spot: Spot) => data.now?.room === spot.room
  const go = (spot: Spot) =>
    plan({ say: `Stand ${box?.name} in ${roomName(spot.room)}`, actions: spot.actions, deeds: [] })
  const best = data.best
  const [all, setAll] = useState(false)
  const others = data.byRoom.filter((spot) => spot.room !== best?.room)
  const row = (says: string, spot: Spot, isBest = false) => (
    <Box
      as="li"
      key={says}
      display="grid"
      gridTemplateColumns={{ base: '1fr auto', md: '210px 84px 1fr auto' }}
      gap="0 12px"
      alignItems="baseline"
      py="3px"
      borderBottom="1px solid"
      borderColor="hairline"
      fontWeight={isBest ? 700 : 400}
    >
      <Text>{says}</Text>
      <Text fontFamily="mono" textAlign="right">
        {spot.worstMbps == null ? '' : rate(spot.worstMbps)}
        <Text as="span" textStyle="note" fontFamily="body" fontWeight="400">
          {' '}
          Mb/s
        </Text>
      </Text>
      <Text textStyle="note">
        in {roomName(spot.worstRoom)}, which has least
        {spot.joins &&
          `; hears ${nameOf(house.document, spot.joins)} at ${Math.round(spot.levelDbm ?? 0)} dBm, ${spot.band} GHz`}
      </Text>
      <Press
        kind="plain"
        aria-label={`${look?.says === says ? 'Hide' : 'Show'} each room: ${says}`}
        aria-pressed={look?.says === says}
        onClick={() => show(look?.says === says ? null : { rooms: spot.rooms, says })}
      >
        {look?.says === says ? 'hide' : 'each room'}
      </Press>
      {look?.says === says && <LookList rooms={spot.rooms} />}
    </Box>
  )
  return (
    <Box>
      <Box as="ul" listStyleType="none">
        {data.now && row(`as it stands, ${roomName(data.now.room)}`, data.now)}
        {data.halfWay && row(`half way, ${roomName(data.halfWay.room)}`, data.halfWay)}
        {best && row(`best, ${roomName(best.room)}${placeWords(best, rooms)}`, best, true)}
        {all && others.map((spot) => row(`in ${roomName(spot.room)}`, spot))}
      </Box>
      <Text textStyle="note" mt="4px">
        {data.tried} places tried{data.isDrawn ? ', metre by metre' : ', one a room: no floor is drawn'}.{' '}
        {data.whyNoHalfWay} An estimate from rooms and walls, good for choosing, no promise.
      </Text>
      {others.length > 0 && (
        <Press kind="plain" aria-expanded={all} onClick={() => setAll(!all)}>
          {all ? 'Hide the other rooms' : 'The best of each other room'}
        </Press>
      )}
      {best && (
        <Flex mt="8px" mb="4px" gap="8px" align="baseline" wrap="wrap">
          {data.isAsGood ? (
            <Text textStyle="small" color="moss" fontWeight="650">
              No other place gives the weakest room clearly more.
            </Text>
          ) : best.actions.length === 0 ? (
            <Text textStyle="small">{data.whyNoDeed}</Text>
          ) : (
            <>
              <Press kind="main" onClick={() => go(best)}>
                Stand it {sameRoom(best) ? 'there' : `in ${roomName(best.room)}`}
              </Press>
              {!sameRoom(best) && data.comesOut.length > 0 && (
                <Text textStyle="small" color="ochre">
                  Comes out of it, for it stays where it is: {data.comesOut.join(', ')}.
                </Text>
              )}
            </>
          )}
        </Flex>
      )}
    </Box>
  )
}

/** “, by the west wall”: where in a drawn room. */
function placeWords(spot: Spot, rooms: { id: string; rect?: unknown }[]): string {
  const rect = rooms.find((room) => room.id === spot.room)?.rect as number[] | undefined
  const at = spot.at as number[] | null
  if (!rect || !at) return ''
  const [x, y] = [(at[0] - rect[0]) / rect[2], (at[1] - rect[1]) / rect[3]]
  const words = [
    ...(y < 0.34 ? ['top'] : y > 0.66 ? ['bottom'] : []),
    ...(x < 0.34 ? ['left'] : x > 0.66 ? ['right'] : []),
  ]
  return words.length === 0 ? ', in the middle' : `, ${words.join(' ')}`
}
