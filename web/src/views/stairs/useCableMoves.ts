import type { PointerEvent } from 'react'
import type { Action, Socket } from '../../api/types'
import { freshId, occupantOf } from '../../features/box/occupants'
import { useJob, useTools } from '../../layout/JobContext'
import { sameSocket, useHand } from '../../state/hand'
import { say } from '../../state/notices'
import { socketOf } from './SocketButton'

const socketUnder = (x: number, y: number): Socket | null => {
  const at = document.elementFromPoint(x, y)?.closest('[data-socket]')?.getAttribute('data-socket')
  return at ? socketOf(at) : null
}

/** Cables by hand: press a socket and then another, or drag from one to the other. */
export function useCableMoves() {
  const { house } = useJob()
  const { act } = useTools()
  const { held, hold } = useHand()

  const move = async (from: Socket, to: Socket) => {
    hold(null)
    if (sameSocket(from, to)) return
    const action = deed(from, to)
    if (!action) return say('The provider’s line stays in its socket. Choose another socket.', 'problem')
    const problem = await act([action])
    if (problem) say(problem.message, 'problem')
  }

  const deed = (from: Socket, to: Socket): Action | null => {
    const occupant = occupantOf(house.document, from)
    if (!occupant)
      return { do: 'plug-cable', cable: { id: freshId(house.document, 'cable'), a: from, b: to } }
    if (occupant.kind === 'cable') return { do: 'move-cable-end', cable: occupant.id, from, to }
    if (occupant.kind === 'thing')
      return { do: 'connect-endpoint', endpoint: occupant.id, to: { device: to.device, port: to.port } }
    return null
  }

  return {
    take: (socket: Socket) => {
      if (!held) return hold(socket)
      if (sameSocket(held, socket)) return hold(null)
      void move(held, socket)
    },
    /** Follows the pointer: let go over another socket and the cable is there. */
    carry: (socket: Socket, down: PointerEvent) => {
      if (down.button !== 0 || held) return
      const drop = (up: globalThis.PointerEvent) => {
        window.removeEventListener('pointerup', drop)
        const to = socketUnder(up.clientX, up.clientY)
        if (to && !sameSocket(to, socket)) void move(socket, to)
      }
      window.addEventListener('pointerup', drop)
    },
    unplug: async (socket: Socket) => {
      const occupant = occupantOf(house.document, socket)
      hold(null)
      const action: Action | null =
        occupant?.kind === 'cable'
          ? { do: 'unplug-cable', cable: occupant.id }
          : occupant?.kind === 'thing'
            ? { do: 'unplug-endpoint', endpoint: occupant.id }
            : null
      const problem = action && (await act([action]))
      if (problem) say(problem.message, 'problem')
    },
  }
}
