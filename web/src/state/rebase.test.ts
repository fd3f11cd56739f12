import { expect, test } from 'vitest'
import type { Action, House } from '../api/types'
import { rebase, saidOf } from './rebase'

const drawn = {
  format: 'altrin.network/1',
  name: 'Mill Cottage',
  country: 'GB',
  rooms: [
    { id: 'barn', name: 'Barn', floor: 0 },
    { id: 'hall', name: 'Hall', floor: 0 },
  ],
  line: { device: 'gw', port: 'line', downMbps: 100, upMbps: 20 },
  devices: [
    {
      id: 'gw',
      name: 'Gateway',
      mode: 'router',
      label: { defaultUser: 'admin' },
      wan: { method: 'dhcp', nat: true },
      wifi: [{ radio: '5g', ssid: 'home', security: 'wpa2', key: 'home' }],
      uplink: { radio: '5g', ssid: 'home', security: 'wpa2', key: 'home' },
      lan: { dhcpServer: { enabled: true, start: '10.0.0.100', end: '10.0.0.199' } },
    },
  ],
  endpoints: [{ id: 'laptop', name: 'Laptop', connect: { device: 'gw', port: 'lan1' } }],
} as unknown as House

const changed = (change: (house: House) => void) => {
  const house = structuredClone(drawn)
  change(house)
  return house
}
// biome-ignore lint/suspicious/noExplicitAny: a house with everything in it
const box = (house: House) => house.devices?.[0] as any
const sent = (deed: Record<string, unknown>, now: House) =>
  // biome-ignore lint/suspicious/noExplicitAny: what goes over the wire
  rebase([deed as unknown as Action], saidOf(drawn, [deed as unknown as Action]), now)[0] as any

const described = (rooms: unknown[]) => ({
  do: 'describe-house',
  name: drawn.name,
  country: 'GB',
  rooms,
  runs: [],
  neighbours: [],
})
const rooms = drawn.rooms ?? []

test('what one room was said to be stays when another is said to be something too', () => {
  const now = changed((house) => {
    house.rooms = [{ ...rooms[0], building: 'barn' }, rooms[1]]
  })
  const deed = sent(described([rooms[0], { ...rooms[1], outdoor: true }]), now)
  expect(deed.rooms).toEqual([
    { ...rooms[0], building: 'barn' },
    { ...rooms[1], outdoor: true },
  ])
})

test('two parts of one room, too, and the country beside them', () => {
  const now = changed((house) => {
    house.country = 'DE'
    house.rooms = [{ ...rooms[0], building: 'barn' }, rooms[1]]
  })
  const deed = sent(described([{ ...rooms[0], floor: 1 }, rooms[1]]), now)
  expect(deed.country).toBe('DE')
  expect(deed.rooms[0]).toEqual({ ...rooms[0], building: 'barn', floor: 1 })
})

test('a room that is new, and one that is gone, on either side', () => {
  const attic = { id: 'attic', name: 'Attic', floor: 2 }
  const porch = { id: 'porch', name: 'Porch', floor: 0 }
  const now = changed((house) => {
    house.rooms = [rooms[1], attic]
  })
  expect(sent(described([...rooms, porch]), now).rooms).toEqual([rooms[1], attic, porch])
  expect(sent(described([rooms[0]]), now).rooms).toEqual([attic])
})

test('what was taken away meanwhile does not come back with what was only drawn', () => {
  const now = changed((house) => {
    house.country = undefined
  })
  expect(sent(described(rooms), now)).not.toHaveProperty('country')
})

test('fields of a label one after the other', () => {
  const now = changed((house) => {
    box(house).label = { defaultUser: 'admin', pageName: 'setup.lan' }
    box(house).room = 'Hall'
  })
  const deed = sent(
    {
      do: 'describe-device',
      box: { ...box(drawn), label: { ...box(drawn).label, defaultAddress: '10.0.0.1' } },
    },
    now,
  )
  expect(deed.box.label).toEqual({
    defaultUser: 'admin',
    pageName: 'setup.lan',
    defaultAddress: '10.0.0.1',
  })
  expect(deed.box.room).toBe('Hall')
})

test('the place of a thing is one: of two the last, never half of each', () => {
  const thing = drawn.endpoints?.[0]
  const now = changed((house) => {
    house.endpoints = [{ ...house.endpoints?.[0], connect: { device: 'gw', ssid: 'home' } } as never]
  })
  expect(sent({ do: 'describe-endpoint', thing: { ...thing, room: 'Hall' } }, now).thing).toEqual({
    id: 'laptop',
    name: 'Laptop',
    room: 'Hall',
    connect: { device: 'gw', ssid: 'home' },
  })
  expect(
    sent({ do: 'describe-endpoint', thing: { ...thing, connect: { device: 'gw', port: 'lan2' } } }, now).thing
      .connect,
  ).toEqual({ device: 'gw', port: 'lan2' })
})

test('the two rates of a line, settings of a WAN and of a Wi-Fi', () => {
  const now = changed((house) => {
    house.line = { ...house.line, downMbps: 330 } as never
    box(house).wan = { method: 'dhcp', nat: true, firewall: false }
    box(house).wifi[0].ssid = 'hawthorn'
  })
  expect(sent({ do: 'set-line', line: { ...drawn.line, upMbps: 50 } }, now).line).toMatchObject({
    downMbps: 330,
    upMbps: 50,
  })
  expect(sent({ do: 'set-wan', device: 'gw', wan: { method: 'dhcp', nat: false } }, now).wan).toEqual({
    method: 'dhcp',
    nat: false,
    firewall: false,
  })
  expect(
    sent({ do: 'set-wifi', device: 'gw', place: 0, network: { ...box(drawn).wifi[0], key: 'k2' } }, now)
      .network,
  ).toMatchObject({ ssid: 'hawthorn', key: 'k2' })
})

test('where a line comes in, and whose Wi-Fi is joined, is chosen as one', () => {
  const now = changed((house) => {
    house.line = { ...house.line, device: 'modem', port: 'wan' } as never
    box(house).uplink = { radio: '2g', ssid: 'other', security: 'wpa3', key: 'o' }
  })
  expect(sent({ do: 'set-line', line: { ...drawn.line, device: 'router' } }, now).line).toMatchObject({
    device: 'router',
    port: 'line',
  })
  expect(
    sent({ do: 'set-uplink', device: 'gw', uplink: { ...box(drawn).uplink, ssid: 'barn' } }, now).uplink,
  ).toEqual({ radio: '5g', ssid: 'barn', security: 'wpa2', key: 'home' })
  expect(
    sent({ do: 'set-uplink', device: 'gw', uplink: { ...box(drawn).uplink, near: 'ap' } }, now).uplink,
  ).toEqual({ radio: '2g', ssid: 'other', security: 'wpa3', key: 'o', near: 'ap' })
})

test('the second end of a pool goes with the first, which was drawn otherwise', () => {
  const now = changed((house) => {
    box(house).lan.dhcpServer.start = '10.0.0.210'
    box(house).lan.dhcpServer.end = '10.0.0.254'
  })
  expect(sent({ do: 'move-pool', device: 'gw', start: '10.0.0.100', end: '10.0.0.230' }, now)).toEqual({
    do: 'move-pool',
    device: 'gw',
    start: '10.0.0.210',
    end: '10.0.0.230',
  })
})

test('of two who change the same the last is meant; what has gone meanwhile is left to the server', () => {
  const now = changed((house) => {
    house.country = 'DE'
  })
  expect(sent({ ...described(rooms), country: 'FR' }, now).country).toBe('FR')
  const gone = changed((house) => {
    house.devices = []
  })
  const deed = { do: 'describe-device', box: { ...box(drawn), room: 'Hall' } }
  expect(sent(deed, gone)).toEqual(deed)
})

test('a deed that names only what it changes is sent as it is', () => {
  const deed = { do: 'rename', id: 'gw', name: 'Hall gateway' }
  expect(sent(deed, drawn)).toBe(deed)
})
