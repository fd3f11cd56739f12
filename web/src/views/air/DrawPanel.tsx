import { Box, Flex, Text } from '@chakra-ui/react'
import type { Action, Room } from '../../api/types'
import { RoomMaterial } from '../../features/air/Materials'
import { useJob, useTools } from '../../layout/JobContext'
import { DraftField } from '../../parts/DraftField'
import { DraftPart } from '../../parts/DraftPart'
import { Press } from '../../parts/Press'
import { type FloorSheet, rectOf } from './sheets'

const numbers = (text: string) =>
  text
    .split(/[×x*,;]|\bby\b/)
    .map((part) => Number(part.trim().replace(',', '.')))
    .filter((n) => !Number.isNaN(n))

/** The rooms of a floor as rows: size and place typed, walls chosen. What the hand draws is here in figures, for the keyboard and for whoever measures. */
export function DrawPanel({ sheet }: { sheet: FloorSheet }) {
  const { house } = useJob()
  const { act } = useTools()
  const rooms = house.document.rooms ?? []
  const put = async (room: Room, change: Partial<Room>) => {
    const refused = await act([{ do: 'draw-room', room: { ...room, ...change } } as unknown as Action])
    return refused && (refused.at('room.rect') ?? refused.message)
  }
  return (
    <Box as="ul" listStyleType="none" mt="8px">
      {sheet.rooms.map((drawn) => {
        const room = rooms.find((one) => one.id === drawn.id)
        const rect = rectOf(drawn)
        if (!room || !rect) return null
        return (
          <DraftPart key={room.id} name={`draw/${room.id}`}>
            <Flex
              as="li"
              gap="4px 10px"
              wrap="wrap"
              align="end"
              py="5px"
              borderBottom="1px solid"
              borderColor="hairline"
            >
              <Text minW="110px" fontWeight="650" pb="5px">
                {room.name}
              </Text>
              <DraftField
                label="Width × depth, m"
                name="size"
                width="120px"
                mono
                value={`${rect.width} × ${rect.depth}`}
                commit={(text) => {
                  const [width, depth] = numbers(text)
                  return width > 0 && depth > 0
                    ? put(room, { rect: [rect.x, rect.y, width, depth] as never })
                    : Promise.resolve(`“${text}” is no size. Write metres, such as 4 × 5.`)
                }}
              />
              <DraftField
                label="From the left, top"
                name="place"
                width="120px"
                mono
                value={`${rect.x}, ${rect.y}`}
                commit={(text) => {
                  const [x, y] = text
                    .split(/[,;]|\s+/)
                    .filter(Boolean)
                    .map(Number)
                  return Number.isFinite(x) && Number.isFinite(y)
                    ? put(room, { rect: [x, y, rect.width, rect.depth] as never })
                    : Promise.resolve(
                        `“${text}” is no place. Write metres from the left and from the top, such as 3, 0.`,
                      )
                }}
              />
              <RoomMaterial room={room} />
              <Press
                kind="plain"
                aria-label={`rub out ${room.name}`}
                onClick={() => put(room, { rect: undefined })}
              >
                rub out
              </Press>
            </Flex>
          </DraftPart>
        )
      })}
    </Box>
  )
}
