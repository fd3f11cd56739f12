import type { Action, Endpoint, HouseView } from '../../api/types'
import { nameOf } from '../../parts/words'

/** A reservation for each thing at the address it is now given; and who cannot have one, with the reason. */
export function reservationsFor(
  house: HouseView,
  things: Endpoint[],
): { actions: Action[]; not: { name: string; why: string }[] } {
  const actions: Action[] = []
  const not: { name: string; why: string }[] = []
  const boxes = new Map((house.document.devices ?? []).map((box) => [box.id, box]))
  for (const thing of things) {
    const why = (words: string) => not.push({ name: thing.name, why: words })
    const net = house.interfaces.find((one) => one.owner === thing.id && one.interface === 'net')
    const given = net?.candidates.find((one) => one.server)
    const server = boxes.get(given?.server ?? '')
    const address = given?.address?.split('/')[0]
    if (!thing.mac) why('its MAC is not noted')
    else if (thing.address?.method === 'static') why('its address is fixed in itself')
    else if (net && net.candidates.length > 1) why('two servers may answer it')
    else if (!server || !address) why('nobody gives it an address')
    else if (server.leaveAsFound) why(`${nameOf(house.document, server.id)} is left as found`)
    else if (
      server.lan?.dhcpServer?.reservations?.some((one) => one.mac === thing.mac && one.address === address)
    )
      why(`${address} is reserved for it already`)
    else actions.push({ do: 'reserve-address', device: server.id, mac: thing.mac, address })
  }
  return { actions, not }
}
