import type { Endpoint, House } from '../../api/types'
import { portName } from '../../parts/words'
import { occupantOf } from './occupants'

type To = NonNullable<Endpoint['connect']>

/** Everywhere a thing could be: each Wi-Fi name on the air, each free LAN socket, and nowhere. */
export function connections(house: House, thing: Endpoint | null) {
  const options: { value: string; label: string; to: To | null; isCurrent: boolean }[] = [
    { value: 'none', label: 'nowhere', to: null, isCurrent: !thing?.connect },
  ]
  const seen = new Set<string>()
  const air = (to: To, isCurrent: boolean) => {
    const value = `wifi/${to.ssid}/${to.security}/${to.key ?? ''}/${to.near ?? ''}`
    if (seen.has(value)) return
    seen.add(value)
    options.push({ value, label: `Wi-Fi ${to.ssid}`, to, isCurrent })
  }
  if (thing?.connect?.ssid) air(thing.connect, true)
  for (const device of house.devices ?? [])
    for (const network of device.wifi ?? []) {
      if (network.enabled === false || network.ssid === thing?.connect?.ssid) continue
      air(
        { ssid: network.ssid, security: network.security, ...(network.key ? { key: network.key } : {}) },
        false,
      )
    }
  for (const device of house.devices ?? [])
    for (const port of device.ports ?? []) {
      const socket = { device: device.id, port: port.id }
      const isCurrent = thing?.connect?.device === device.id && thing.connect.port === port.id
      if (!isCurrent && (port.role === 'wan' || occupantOf(house, socket))) continue
      options.push({
        value: `${device.id}/${port.id}`,
        label: `${device.name} ${portName(device, port)}`,
        to: socket,
        isCurrent,
      })
    }
  return options
}
