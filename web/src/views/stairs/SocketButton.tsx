import './socket.css'
import { memo } from 'react'
import type { HouseView, Socket } from '../../api/types'
import { occupantOf } from '../../features/box/occupants'
import { nameOf, portName, socketName } from '../../parts/words'
import { sameSocket, useHand } from '../../state/hand'
import type { PlacedBox, PlacedPort } from './layout/placement'

const reach = { thumb: 44, pointer: 30 }

/**
 * A socket of a back panel: a ring is WAN, a square is LAN, filled when something is in it. Plain elements, and pressed by way of the picture:
 * a big house has thousands.
 */
/** What fits over a socket: the number that is printed at it; the whole name is said and stands in the title. */
const shortName = (label: string) =>
  /(\d+)\s*$/.exec(label)?.[1] ?? (label.length > 4 ? 'LAN' : label.replace('LAN', '1'))

export const SocketButton = memo(function SocketButton(props: {
  box: PlacedBox
  port: PlacedPort
  house: HouseView
}) {
  const { box, port, house } = props
  const inHand = useHand((hand) => sameSocket(hand.held, port.socket))
  const occupant = occupantOf(house.document, port.socket)
  const wan = port.port.role === 'wan'
  const label = portName(house, port.socket)
  const what = occupant
    ? occupant.kind === 'cable'
      ? `cable to ${socketName(house, occupant.far)}`
      : occupant.kind === 'line'
        ? 'the line'
        : nameOf(house.document, occupant.id)
    : 'free'
  const short = wan ? (occupant?.kind === 'line' ? 'line' : 'WAN') : shortName(label)
  const height = port.hit > reach.pointer ? reach.thumb : reach.pointer
  return (
    <li>
      <button
        type="button"
        tabIndex={-1}
        data-rove="socket"
        className={`socket${wan ? ' wan' : ''}`}
        style={{ left: port.x - port.hit / 2, top: port.y - height / 2, width: port.hit, height }}
        aria-label={`${label}: ${what}`}
        aria-pressed={inHand}
        title={`${box.device.name} ${label}: ${what}`}
        data-socket={`${port.socket.device}/${port.socket.port}`}
      >
        <span className="hole">{occupant && <span className="filled" />}</span>
      </button>
      <span
        aria-hidden
        className={`socket-name ${port.edge}`}
        style={
          port.edge === 'top'
            ? { left: port.x + 14, top: port.y - 20 }
            : { left: port.x - 16, top: port.y - 29 }
        }
      >
        {short}
      </span>
    </li>
  )
})

/** The socket that was pressed, if it was one. */
export function socketAt(target: EventTarget): Socket | null {
  const at = (target as Element).closest('[data-socket]')?.getAttribute('data-socket')
  return at ? socketOf(at) : null
}

/** The socket by the word it carries in the page. */
export function socketOf(word: string): Socket {
  const slash = word.lastIndexOf('/')
  return { device: word.slice(0, slash), port: word.slice(slash + 1) }
}
