import { Box } from '@chakra-ui/react'
import type { HouseView } from '../../api/types'
import { nameOf, portName, socketName } from '../../parts/words'
import { sameSocket, useHand } from '../../state/hand'
import type { PlacedBox, PlacedPort } from './layout/placement'
import { occupantOf } from './occupants'
import { useCableMoves } from './useCableMoves'

/** A socket of a back panel: a ring is WAN, a square is LAN, filled when something is in it. */
export function SocketButton({ box, port, house }: { box: PlacedBox; port: PlacedPort; house: HouseView }) {
  const { held } = useHand()
  const { take, carry } = useCableMoves()
  const occupant = occupantOf(house.document, port.socket)
  const wan = port.port.role === 'wan'
  const inHand = sameSocket(held, port.socket)
  const label = portName(house, port.socket)
  const what = occupant
    ? occupant.kind === 'cable'
      ? `cable to ${socketName(house, occupant.far)}`
      : occupant.kind === 'line'
        ? 'the line'
        : nameOf(house.document, occupant.id)
    : 'free'
  const short = wan
    ? house.document.line && sameSocket(house.document.line, port.socket)
      ? 'line'
      : 'WAN'
    : label.replace('LAN ', '').replace('LAN', '1')
  return (
    <Box as="li" listStyleType="none">
      <Box
        as="button"
        tabIndex={-1}
        data-rove="socket"
        className="socket"
        position="absolute"
        left={`${port.x - port.hit / 2}px`}
        top={`${port.y - (port.hit > 30 ? 22 : 15)}px`}
        w={`${port.hit}px`}
        h={port.hit > 30 ? '44px' : '30px'}
        display="grid"
        placeItems="center"
        cursor="grab"
        touchAction="none"
        aria-label={`${label}: ${what}`}
        aria-pressed={inHand}
        title={`${box.device.name} ${label}: ${what}`}
        data-socket={`${port.socket.device}/${port.socket.port}`}
        onClick={() => take(port.socket)}
        onPointerDown={(event) => carry(port.socket, event)}
      >
        <Box
          w="20px"
          h="20px"
          borderRadius={wan ? '50%' : '3px'}
          border="2.5px solid"
          borderColor={inHand ? 'spruce' : 'ink'}
          bg={inHand ? 'spruceWash' : 'sheet'}
          display="grid"
          placeItems="center"
        >
          {occupant && (
            <Box className="filled" w="8px" h="8px" borderRadius="50%" bg={inHand ? 'spruce' : 'ink'} />
          )}
        </Box>
      </Box>
      <Box
        aria-hidden
        position="absolute"
        fontFamily="mono"
        fontSize="12px"
        color="quiet"
        left={port.edge === 'top' ? `${port.x + 14}px` : `${port.x - 16}px`}
        top={port.edge === 'top' ? `${port.y - 20}px` : `${port.y - 29}px`}
        w={port.edge === 'top' ? undefined : '32px'}
        textAlign="center"
        pointerEvents="none"
      >
        {short}
      </Box>
    </Box>
  )
}
