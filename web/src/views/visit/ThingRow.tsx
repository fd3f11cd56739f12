import { Box, Flex, Text } from '@chakra-ui/react'
import { Link } from 'react-router'
import { joinOf } from '../../api/attachment'
import type { Endpoint } from '../../api/types'
import { connections } from '../../features/box/connections'
import { nearIn } from '../../features/box/nearIn'
import { useSettings } from '../../features/box/useSettings'
import { useJob } from '../../layout/JobContext'
import { DraftChoice } from '../../parts/Choice'
import { nextRow } from '../../parts/nextRow'
import { isRoom } from '../../parts/rooms'
import { roomWords } from '../../parts/roomWords'
import { useMarks } from '../../state/marks'

/** A thing of the house, and what is asked of each: by what it hangs on, and in which room. */
export function ThingRow({ thing, address }: { thing: Endpoint; address?: string }) {
  const { job, house } = useJob()
  const { marked, toggle } = useMarks()
  const { orSay } = useSettings()
  const places = connections(house, thing)
  const now = places.find((one) => one.isCurrent)?.value ?? 'none'
  const rooms = [
    ...(house.document.rooms ?? []).map((room) => ({ value: room.id, label: room.name })),
    ...roomWords(house.document.devices)
      .filter((word) => !(house.document.rooms ?? []).some((room) => isRoom(room, word)))
      .map((word) => ({ value: word, label: word })),
  ]
  const room = rooms.find((one) => thing.room && isRoom({ id: one.value, name: one.label }, thing.room))
  return (
    <Flex
      as="li"
      borderBottom="1px solid"
      borderColor="hairline"
      align="center"
      gap="4px 10px"
      wrap="wrap"
      py="4px"
    >
      <label className="mark">
        <input
          type="checkbox"
          checked={marked.includes(thing.id)}
          aria-label={`Mark ${thing.name}`}
          onChange={() => toggle(thing.id)}
        />
      </label>
      <Box flex="1 1 150px" minW="0">
        <Link
          to={`/job/${job.id}/stairs?box=${encodeURIComponent(thing.id)}`}
          style={{ overflowWrap: 'anywhere' }}
          dir="auto"
        >
          {thing.name}
        </Link>
        <Text fontFamily="mono" fontSize="note" color="quiet" overflowWrap="anywhere">
          {address ?? 'no address'} {thing.mac ?? ''}
        </Text>
      </Box>
      <DraftChoice
        label={`${thing.name} hangs on`}
        bare
        goOn={nextRow}
        width="190px"
        isOneOfMany
        value={now}
        options={places}
        commit={(value) => {
          const to = places.find((one) => one.value === value)?.to
          if (!to) return orSay({ do: 'unplug-endpoint', endpoint: thing.id })
          // By cable it is where its box is, unless somebody says otherwise.
          const room =
            !thing.room && 'device' in to && house.document.devices?.find((box) => box.id === to.device)?.room
          return orSay(
            { do: 'connect-endpoint', endpoint: thing.id, to },
            ...(room ? [{ do: 'describe-endpoint' as const, thing: { ...thing, connect: to, room } }] : []),
          )
        }}
      />
      <DraftChoice
        label={`Room of ${thing.name}`}
        bare
        goOn={nextRow}
        width="130px"
        isOneOfMany
        value={room?.value ?? thing.room ?? ''}
        options={[
          { value: '', label: 'which room?' },
          ...(thing.room && !room ? [{ value: thing.room, label: thing.room }] : []),
          ...rooms,
        ]}
        commit={(to) => {
          const joined = joinOf(thing)
          const near = to && joined && !joined.near ? nearIn(house.document, to, joined.ssid) : undefined
          return orSay(
            { do: 'describe-endpoint', thing: { ...thing, room: to || undefined } },
            ...(joined && near
              ? [{ do: 'connect-endpoint' as const, endpoint: thing.id, to: { ...joined, near } }]
              : []),
          )
        }}
      />
    </Flex>
  )
}
