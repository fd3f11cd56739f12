import { Text } from '@chakra-ui/react'
import type { AirRoomView } from '../../api/types'
import { lookAt, useLook } from './look'
import { rate } from './sheets'

/** “480 Mb/s”, the number bare where there is no room for more; what it would be in the house that is held against it, or what it was as found. */
export function Rate({ room, size, bare = false }: { room: AirRoomView; size: string; bare?: boolean }) {
  const { look, found } = useLook()
  const then = lookAt(look, room.id)
  const now = room.mbps
  const before = look ? undefined : found?.get(room.id)
  const was = before !== undefined && rate(before) !== rate(now ?? 0) ? rate(before) : null
  const changed = then !== undefined && rate(then) !== rate(now ?? 0)
  return (
    <Text
      as="span"
      whiteSpace="nowrap"
      data-rate={then ?? now ?? 0}
      color={room.isShort ? 'brick' : undefined}
    >
      <Text
        as="span"
        fontFamily="mono"
        fontSize={size}
        fontWeight="700"
        textDecoration={changed ? 'line-through' : undefined}
        opacity={changed ? 0.6 : 1}
      >
        {now == null ? 'none' : rate(now)}
      </Text>
      {changed && (
        <Text as="span" fontFamily="mono" fontSize={size} fontWeight="700" color="spruce" ml="5px">
          {rate(then)}
        </Text>
      )}
      {(now != null || changed) && !bare && (
        <Text as="span" fontSize="note" color={room.isShort ? 'brick' : 'quiet'} fontWeight="400">
          {' '}
          Mb/s
        </Text>
      )}
      {was !== null && (
        <Text as="span" fontSize="note" color="quiet" fontWeight="400" ml="5px" data-was>
          was {was}
        </Text>
      )}
    </Text>
  )
}
