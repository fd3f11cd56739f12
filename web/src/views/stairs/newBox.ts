import type { Device, DeviceMode, Endpoint } from '../../api/types'

export type NewKind =
  | 'router-ap'
  | 'router'
  | 'access-point'
  | 'repeater'
  | 'wds'
  | 'client-bridge'
  | 'mesh-satellite'
  | 'switch'
  | 'thing'

export const boxKinds: Record<NewKind, { say: string; name: string }> = {
  'router-ap': { say: 'Router with an access-point mode', name: 'Second router' },
  router: { say: 'Old router without one', name: 'Old router' },
  'access-point': { say: 'Access point', name: 'Access point' },
  repeater: { say: 'Repeater', name: 'Repeater' },
  wds: { say: 'Router with WDS', name: 'WDS bridge' },
  'client-bridge': { say: 'Wireless client bridge', name: 'Bridge' },
  'mesh-satellite': { say: 'Mesh satellite', name: 'Satellite' },
  switch: { say: 'Switch', name: 'Switch' },
  thing: { say: 'A thing: tablet, printer, laptop …', name: 'Tablet' },
}

const ports = (wan: boolean, lans: number): Device['ports'] => [
  ...(wan ? [{ id: 'wan', role: 'wan' as const }] : []),
  ...Array.from({ length: lans }, (_, i) => ({ id: `lan${i + 1}`, role: 'lan' as const })),
]

/** The modes each kind can be put into, the one it comes in first; its sockets. */
const makes: Record<
  Exclude<NewKind, 'thing' | 'switch'>,
  { supports: DeviceMode[]; wan: boolean; lans: number }
> = {
  'router-ap': { supports: ['router', 'access-point', 'repeater'], wan: true, lans: 4 },
  router: { supports: ['router'], wan: true, lans: 4 },
  'access-point': { supports: ['access-point'], wan: false, lans: 1 },
  repeater: { supports: ['repeater', 'access-point'], wan: false, lans: 1 },
  wds: { supports: ['router', 'wds', 'access-point'], wan: true, lans: 4 },
  'client-bridge': { supports: ['client-bridge', 'router'], wan: false, lans: 2 },
  'mesh-satellite': { supports: ['mesh-satellite'], wan: false, lans: 2 },
}

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
  const { supports, wan, lans } = makes[kind]
  const subnet = address.slice(0, address.lastIndexOf('.'))
  const routes = supports[0] === 'router'
  const radio = {
    mode: supports[0],
    supports,
    ports: ports(wan, lans),
    radios: [
      { id: '2g', band: '2.4' as const },
      { id: '5g', band: '5' as const },
    ],
    label: { defaultAddress: address, defaultUser: 'admin' },
  }
  if (!routes) return { ...base, ...radio, lan: { method: 'dhcp' } }
  return {
    ...base,
    ...radio,
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

/** The box at the provider's line, as much of it as is known. Its socket for the line is called so. */
export function makeGateway(box: {
  name: string
  mode: DeviceMode
  supports: DeviceMode[]
  sockets: number
  room: string
  address: string
  ssid: string
}): Device {
  const address = box.address || '192.168.1.1'
  const base: Device = {
    id: 'gateway',
    name: box.name,
    mode: box.mode,
    supports: box.supports,
    ports: [{ id: 'line', role: 'wan' }, ...(ports(false, box.sockets) ?? [])],
    ...(box.room ? { room: box.room } : {}),
  }
  if (box.mode !== 'router') return base
  return {
    ...base,
    radios: [
      { id: '2g', band: '2.4' },
      { id: '5g', band: '5' },
    ],
    lan: {
      method: 'static',
      address: `${address.split('/')[0]}/24`,
      // Nobody has looked at its pool yet.
      dhcpServer: { enabled: true },
    },
    wan: { method: 'dhcp' },
    wifi: box.ssid
      ? ['2g', '5g'].map((radio) => ({ radio, ssid: box.ssid, security: 'wpa2' as const, key: 'home' }))
      : [],
    ...(box.address ? { label: { defaultAddress: address.split('/')[0] } } : {}),
  }
}

/** A name that no box or thing has yet: “Tablet”, then “Tablet 2”. */
export function freshName(taken: string[], stem: string): string {
  if (!taken.includes(stem)) return stem
  let n = 2
  while (taken.includes(`${stem} ${n}`)) n++
  return `${stem} ${n}`
}
