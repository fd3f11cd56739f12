import { type Attachment, type Join, joinOf, plugOf } from '../../api/attachment'
import type { Endpoint, HouseView } from '../../api/types'
import { portName } from '../../parts/words'
import { occupantOf } from './occupants'

/** Everywhere a thing could be: each Wi-Fi name on the air, each free LAN socket, and nowhere. */
export function connections(view: HouseView, thing: Endpoint | null) {
  const house = view.document
  const options: { value: string; label: string; to: Attachment | null; isCurrent: boolean }[] = [
    { value: 'none', label: 'nowhere', to: null, isCurrent: !thing?.connect },
  ]
  const seen = new Set<string>()
  const air = (to: Join, isCurrent: boolean) => {
    const value = `wifi/${to.ssid}/${to.security}/${to.key ?? ''}/${to.near ?? ''}`
    if (seen.has(value)) return
    seen.add(value)
    options.push({ value, label: `Wi-Fi ${to.ssid}`, to, isCurrent })
  }
  const [plugged, joined] = [plugOf(thing), joinOf(thing)]
  if (joined) air(joined, true)
  // What the core says it could join; for a thing that is not there yet, what any thing could.
  const heard = view.things.find((one) => one.id === thing?.id)?.joinable ?? view.joinable
  for (const { ssid, security, key } of heard)
    if (ssid !== joined?.ssid) air({ ssid, security, ...(key ? { key } : {}) }, false)
  for (const device of house.devices ?? [])
    for (const port of device.ports ?? []) {
      const socket = { device: device.id, port: port.id }
      const isCurrent = plugged?.device === device.id && plugged.port === port.id
      if (!isCurrent && (port.role === 'wan' || occupantOf(house, socket))) continue
      options.push({
        value: `${device.id}/${port.id}`,
        label: `${device.name} ${portName(view, socket)}`,
        to: socket,
        isCurrent,
      })
    }
  return options
}
