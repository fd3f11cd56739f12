import { Text } from '@chakra-ui/react'
import type { AirRoomView } from '../../api/types'
import { lookAt, useLook } from './look'
import { rate } from './sheets'

/** “480 Mb/s”, the number bare where there is no room for more, and what it would be in the house that is held against it. */
export function Rate({ room, size, bare = false }: { room: AirRoomView; size: string; bare?: boolean }) {
  const { look } = useLook()
  const then = lookAt(look, room.id)
  const now = room.mbps
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
        <Text as="span" fontSize="13px" color={room.isShort ? 'brick' : 'quiet'} fontWeight="400">
          {' '}
          Mb/s
        </Text>
      )}
    </Text>
  )
}
