import { Box, Text } from '@chakra-ui/react'
import type { CSSProperties, PointerEvent } from 'react'
import type { AirRoomView, AirView } from '../../api/types'
import type { Frame } from './frame'
import { looseThings } from './places'
import { Rate } from './Rate'
import type { Rect } from './sheets'

export const boxOf = (frame: Frame, rect: Rect): CSSProperties => ({
  left: frame.x(rect.x),
  top: frame.y(rect.y),
  width: rect.width * frame.scale + 2,
  height: rect.depth * frame.scale + 2,
})

/** A room on the floor, lettered with what a device may expect in it, and from whom. */
export function FloorRoom(props: {
  view: AirView
  room: AirRoomView
  rect: Rect
  frame: Frame
  from: string | undefined
  drawing: boolean
  grip?: {
    body: (event: PointerEvent) => void
    corner: (event: PointerEvent) => void
  }
}) {
  const { view, room, rect, frame, from, drawing, grip } = props
  const [w, h] = [rect.width * frame.scale, rect.depth * frame.scale]
  const tight = w < 96 || h < 62
  const things = looseThings(view, room.id).length
  return (
    <div
      className={`room${room.isShort ? ' short' : ''}${room.isOutdoor ? ' outdoor' : ''}${tight ? ' tight' : ''}`}
      style={boxOf(frame, rect)}
      onPointerDown={grip?.body}
      title={`${room.name}: ${room.says}`}
      data-room={room.id}
    >
      <div className="lettering">
        <Text fontWeight="650" fontSize={tight ? '12px' : '14px'} truncate pl={room.isShort ? '4px' : 0}>
          {room.name}
        </Text>
        {drawing ? (
          <Text textStyle="note" fontFamily="mono" whiteSpace="nowrap">
            {Math.round(rect.width * 10) / 10}×{Math.round(rect.depth * 10) / 10}
            {!tight && ' m'}
          </Text>
        ) : (
          <Box pl={room.isShort ? '4px' : 0}>
            <Rate room={room} bare={w < 104} size={tight ? '15px' : w < 150 ? '20px' : '24px'} />
            {!tight && h > 84 && from && (
              <Text textStyle="note" truncate>
                from {from}
              </Text>
            )}
            {!tight && h > 104 && things > 0 && (
              <Text textStyle="note">{things === 1 ? 'one thing here' : `${things} things here`}</Text>
            )}
          </Box>
        )}
      </div>
      {grip && <span className="corner" onPointerDown={grip.corner} aria-hidden />}
    </div>
  )
}
