import { Box, Flex, Text } from '@chakra-ui/react'
import type { AirView } from '../../api/types'
import { useJob } from '../../layout/JobContext'
import { nameOf } from '../../parts/words'
import { Rate } from './Rate'
import { floorName } from './sheets'

/** Every room with what may be expected in it, from whom, and what holds it back. All that a house without a floor plan needs. */
export function RoomList({ view }: { view: AirView }) {
  const { house } = useJob()
  const floors = [...new Set(view.rooms.map((room) => room.floor))].sort((a, b) => a - b)
  return (
    <Box as="ul" listStyleType="none" aria-label="Rooms">
      {floors.flatMap((floor) =>
        view.rooms
          .filter((room) => room.floor === floor)
          .map((room) => (
            <Flex
              as="li"
              key={room.id}
              gap="2px 12px"
              wrap="wrap"
              align="baseline"
              py="7px"
              borderBottom="1px solid"
              borderColor="hairline"
            >
              <Text fontWeight="650" minW="120px" flex={{ base: '1 1 auto', md: '0 0 auto' }}>
                {room.name}{' '}
                {floors.length > 1 && (
                  <Text as="span" textStyle="note">
                    {floorName(floor).toLowerCase()}
                  </Text>
                )}
              </Text>
              <Box minW={{ md: '130px' }}>
                <Rate room={room} size="18px" />
              </Box>
              <Text textStyle="small" flex={{ base: '1 1 100%', md: '1 1 300px' }}>
                {room.device && (
                  <>
                    from {nameOf(house.document, room.device)}, {room.band} GHz at{' '}
                    {Math.round(room.levelDbm ?? 0)} dBm.{' '}
                  </>
                )}
                <Text as="span" color="quiet">
                  {room.says}
                </Text>
                {room.wanted != null && (
                  <Text as="span" color={room.isShort ? 'brick' : 'moss'} fontWeight="650">
                    {' '}
                    Wanted {room.wanted}: {room.isShort ? 'fails' : 'holds'}.
                  </Text>
                )}
              </Text>
            </Flex>
          )),
      )}
    </Box>
  )
}
