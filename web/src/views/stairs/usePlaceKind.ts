import type { Device, Socket } from '../../api/types'
import { freshId, occupantOf } from '../../features/box/occupants'
import { takeFromShelf } from '../../features/kind/takeFromShelf'
import { useJob, useTools } from '../../layout/JobContext'
import { cardOf, focusOn } from '../../parts/focusOn'
import { socketName } from '../../parts/words'
import { useHand } from '../../state/hand'

/** A box from the shelf, in the hand, is put where it shall be: into a socket, onto a step, on the table. */
export function usePlaceKind() {
  const { house } = useJob()
  const { act, select } = useTools()
  const document_ = house.document
  const boxes = new Map((document_.devices ?? []).map((box) => [box.id, box]))

  /** Said where the box is, in the hand. */
  const no = (problem: string) => useHand.setState({ problem })

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
      return no(`${socketName(house, socket)} is taken. Choose a free socket.`)
    const { kind, label } = inHand
    const id = freshId(document_, 'box')
    const own = kind.modes[0]?.socket
    if (socket && !own) return no(`${label.name} has no socket for a cable. Put it on the table.`)
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
    if (problem) return no(problem.message)
    useHand.getState().takeKind(null)
    select(id)
    focusOn(cardOf(id))
  }

  const tools = {
    putInto,
    putAtBox: (id: string) => {
      const socket = freeLanOf(boxes.get(id))
      return socket
        ? putInto(socket)
        : no(`${boxes.get(id)?.name ?? 'That box'} has no free LAN socket. Choose another box.`)
    },
    /** A free socket that leads onto that step: of who gives addresses there first, for there the others hang too. */
    socketOn: (segment: string): Socket | undefined => {
      const tread = house.stairs.treads.find((one) => one.segment === segment)
      if (!tread || tread.isTable) return undefined
      const lanOf = new Map(
        house.interfaces.filter((one) => one.interface === 'lan').map((one) => [one.owner, one.segment]),
      )
      const servers = tread.servers.map((server) => server.device)
      return (document_.devices ?? [])
        .filter((box) => (lanOf.get(box.id) ?? (tread.boxes.includes(box.id) ? segment : '')) === segment)
        .sort((a, b) => Number(servers.includes(b.id)) - Number(servers.includes(a.id)))
        .map(freeLanOf)
        .find((one) => one)
    },
    putOnTread: (segment: string) => {
      if (house.stairs.treads.some((one) => one.segment === segment && one.isTable)) return putInto(null)
      const socket = tools.socketOn(segment)
      return socket
        ? putInto(socket)
        : no('No box leads onto that step by a free LAN socket. Put a switch there first.')
    },
  }
  return tools
}
