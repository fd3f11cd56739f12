import type { Device, DeviceMode, Endpoint } from '../../api/types'

export type NewKind = 'router-ap' | 'router' | 'access-point' | 'switch' | 'thing'

export const boxKinds: Record<NewKind, { say: string; name: string }> = {
  'router-ap': { say: 'Router with an access-point mode', name: 'Second router' },
  router: { say: 'Old router without one', name: 'Old router' },
  'access-point': { say: 'Access point', name: 'Access point' },
  switch: { say: 'Plain switch', name: 'Switch' },
  thing: { say: 'A thing: tablet, printer, laptop …', name: 'Tablet' },
}

const ports = (wan: boolean, lans: number): Device['ports'] => [
  ...(wan ? [{ id: 'wan', role: 'wan' as const }] : []),
  ...Array.from({ length: lans }, (_, i) => ({ id: `lan${i + 1}`, role: 'lan' as const })),
]

/** A box of the kind as it is usually sold; what differs is set on the picture. */
export function makeBox(
  kind: Exclude<NewKind, 'thing'>,
  id: string,
  name: string,
  room: string,
  address: string,
): Device {
  const base = { id, name, ...(room ? { room } : {}) }
  if (kind === 'switch') return { ...base, mode: 'switch', supports: ['switch'], ports: ports(false, 5) }
  const subnet = address.slice(0, address.lastIndexOf('.'))
  const radio = {
    radios: [{ id: '2g', band: '2.4' as const }],
    label: { defaultAddress: address, defaultUser: 'admin' },
  }
  if (kind === 'access-point')
    return {
      ...base,
      ...radio,
      mode: 'access-point',
      supports: ['access-point'],
      ports: ports(false, 1),
      lan: { method: 'dhcp' },
    }
  const supports: DeviceMode[] = kind === 'router-ap' ? ['router', 'access-point'] : ['router']
  return {
    ...base,
    ...radio,
    mode: 'router',
    supports,
    ports: ports(true, 4),
    lan: {
      method: 'static',
      address: `${address.split('/')[0]}/24`,
      dhcpServer: { enabled: true, start: `${subnet}.100`, end: `${subnet}.199` },
    },
    wan: { method: 'dhcp' },
    wifi: [{ radio: '2g', ssid: 'setup', security: 'open' }],
  }
}

export const makeThing = (
  id: string,
  name: string,
  room: string,
  connect?: Endpoint['connect'],
): Endpoint => ({
  id,
  name,
  ...(room ? { room } : {}),
  ...(connect ? { connect } : {}),
  address: { method: 'dhcp' },
})
