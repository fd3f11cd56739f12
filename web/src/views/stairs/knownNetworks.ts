import { joinOf } from '../../api/attachment'
import type { Endpoint, House } from '../../api/types'

/** Names that a thing may still have in its memory: those of every box, on the air or not, and those that are to be kept. */
export function knownNetworks(house: House, thing: Endpoint) {
  type Known = NonNullable<Endpoint['knows']>
  const same = (a: Known, b: Known | null | undefined) =>
    a.ssid === b?.ssid && (a.key ?? '') === (b?.key ?? '')
  const options: { value: string; label: string; network?: Known; isCurrent: boolean }[] = [
    { value: '', label: 'no other name', isCurrent: !thing.knows },
  ]
  const add = (network: Known) => {
    if (same(network, joinOf(thing)) || options.some((one) => same(network, one.network))) return
    options.push({
      value: `${network.ssid}/${network.key ?? ''}`,
      label: network.ssid,
      network,
      isCurrent: same(network, thing.knows),
    })
  }
  if (thing.knows) add(thing.knows)
  for (const box of house.devices ?? [])
    for (const { ssid, security, key, guest } of box.wifi ?? [])
      if (!guest) add({ ssid, ...(security ? { security } : {}), ...(key ? { key } : {}) })
  for (const want of house.needs ?? [])
    if (want.kind === 'keep-name')
      add({ ssid: want.ssid, security: 'wpa2', ...(want.key ? { key: want.key } : {}) })
  return options
}
