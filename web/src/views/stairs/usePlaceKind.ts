import type { Device, Socket } from '../../api/types'
import { useJob, useTools } from '../../layout/JobContext'
import { cardOf, focusOn } from '../../parts/focusOn'
import { socketName } from '../../parts/words'
import { useHand } from '../../state/hand'
import { say } from '../../state/notices'
import { takeFromShelf } from '../kit/takeFromShelf'
import { freshId, occupantOf } from './occupants'

/** A box from the shelf, in the hand, is put where it shall be: into a socket, onto a step, on the table. */
export function usePlaceKind() {
  const { house } = useJob()
  const { act, select } = useTools()
  const document_ = house.document
  const boxes = new Map((document_.devices ?? []).map((box) => [box.id, box]))

  const freeLanOf = (box: Device | undefined): Socket | undefined =>
    (box?.ports ?? [])
      .filter((port) => port.role === 'lan')
      .map((port) => ({ device: box?.id ?? '', port: port.id }))
      .find((socket) => !occupantOf(document_, socket))

  /** @param socket Null: on the table. */
  const putInto = async (socket: Socket | null) => {
    const inHand = useHand.getState().kind
    if (!inHand) return
    if (socket && occupantOf(document_, socket))
      return say(`${socketName(house, socket)} is taken. Choose a free socket.`, 'problem')
    const { kind, label } = inHand
    const id = freshId(document_, 'box')
    const own = uplinkOf(kind.sold as Device)
    if (socket && !own) return say(`${label.name} has no socket for a cable. Put it on the table.`, 'problem')
    const room = label.room || (socket && boxes.get(socket.device)?.room) || undefined
    const add = takeFromShelf(kind, { ...label, id, room })
    const plug =
      socket && own
        ? [
            {
              do: 'plug-cable' as const,
              cable: { id: freshId(document_, 'cable'), a: socket, b: { device: id, port: own } },
            },
          ]
        : []
    const problem = await act(
      [...add, ...plug],
      socket
        ? `Add ${label.name}, plugged into ${socketName(house, socket)}`
        : `Add ${label.name}, on the table`,
    )
    if (problem) return say(problem.message, 'problem')
    useHand.getState().takeKind(null)
    select(id)
    focusOn(cardOf(id))
  }

  return {
    putInto,
    putAtBox: (id: string) => {
      const socket = freeLanOf(boxes.get(id))
      return socket
        ? putInto(socket)
        : say(`${boxes.get(id)?.name ?? 'That box'} has no free LAN socket. Choose another box.`, 'problem')
    },
    putOnTread: (segment: string) => {
      const tread = house.stairs.treads.find((one) => one.segment === segment)
      if (!tread || tread.isTable) return putInto(null)
      // Its server first: there the others hang too.
      const servers = tread.servers.map((server) => server.device)
      const here = (document_.devices ?? [])
        .filter((box) => tread.boxes.includes(box.id))
        .sort((a, b) => Number(servers.includes(b.id)) - Number(servers.includes(a.id)))
      const socket = here.map(freeLanOf).find((one) => one)
      return socket
        ? putInto(socket)
        : say('No box on that step has a free LAN socket. Put a switch there first.', 'problem')
    },
  }
}

/** Into which of its own sockets the cable from the house goes, as the kind is sold: a router's WAN, else a LAN socket. */
function uplinkOf(sold: Device): string | undefined {
  const ports = sold.ports ?? []
  const wan = ports.find((port) => port.role === 'wan')
  return (sold.mode === 'router' && wan ? wan : (ports.find((port) => port.role === 'lan') ?? wan))?.id
}
