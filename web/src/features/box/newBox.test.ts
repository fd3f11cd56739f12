import { expect, test } from 'vitest'
import type { JoinChoice, KitView } from '../../api/types'
import { boxDeeds, completeMac, joinableBy, stemFor } from './newBox'

const router = {
  kit: 'router-dual-band',
  group: 'router',
  sold: {
    id: 'kind',
    name: 'Kind',
    mode: 'router',
    supports: ['router', 'access-point', 'repeater'],
    ports: [
      { id: 'wan', role: 'wan' },
      { id: 'lan1', role: 'lan' },
    ],
    radios: [{ id: '2g', band: '2.4' }],
    lan: { method: 'static', address: '192.168.1.1/24', dhcpServer: { enabled: true } },
    upnp: true,
    defaultPassword: true,
  },
  modes: [
    { mode: 'router', say: 'router', socket: 'wan', joins: false, sendsWhatItJoins: false },
    { mode: 'access-point', say: 'access point', socket: 'lan1', joins: false, sendsWhatItJoins: false },
    {
      mode: 'repeater',
      say: 'repeater',
      socket: 'lan1',
      joins: true,
      sendsWhatItJoins: false,
      mayGive: true,
    },
  ],
} as unknown as KitView
const satellite = {
  ...router,
  kit: 'mesh-satellite',
  group: 'mesh',
  sold: { id: 'kind', name: 'Kind', mode: 'mesh-satellite', radios: [{ id: '5g', band: '5' }], ports: [] },
  modes: [
    { mode: 'mesh-satellite', say: 'mesh satellite', socket: null, joins: true, sendsWhatItJoins: true },
  ],
} as unknown as KitView
const hawthorn = { radio: null, band: '2.4', ssid: 'hawthorn', security: 'wpa2', key: 'family' } as JoinChoice
const at = (change: object) =>
  ({
    id: 'box',
    name: 'Box',
    room: 'hall',
    mac: '',
    address: '',
    mode: router.modes[0],
    socket: null,
    medium: 'ethernet',
    join: null,
    cable: 'cable',
    ...change,
  }) as Parameters<typeof boxDeeds>[1]
const does = (change: object, kind = router) => boxDeeds(kind, at(change)).map((one) => one.do)

test('a box is called by its room and by what it is set as', () => {
  expect(stemFor(router, router.modes[0], 'kitchen')).toBe('Kitchen router')
  expect(stemFor(router, router.modes[1], ' cottage ')).toBe('Cottage access point')
  expect(stemFor(satellite, satellite.modes[0], 'east wing')).toBe('East wing satellite')
  expect(stemFor(router, router.modes[0], '')).toBe('Second router')
  expect(stemFor(undefined, undefined, 'hall')).toBe('Second router')
})

test.each([
  ['5302', '00:00:5E:00:53:02'],
  ['3:02', '00:00:5E:00:53:02'],
  ['0a', '00:00:5E:00:53:0A'],
  ['53', '53'],
  ['02-00', '02-00'],
  ['2', '2'],
  ['', ''],
  ['02:00:5E:10:00:01', '02:00:5E:10:00:01'],
])('“%s” off a label is %s', (text, whole) => {
  expect(completeMac(text, ['00:00:5E:00:53:02', '00:00:5E:00:53:0A', '00:00:5E:00:51:0B'])).toBe(whole)
})

test('an end that two have is left as it is', () => {
  expect(completeMac('5302', ['00:00:5E:00:53:02', '02:00:5E:10:53:02'])).toBe('5302')
})

test('on the table it is as its carton says', () => {
  const [add, ...more] = boxDeeds(router, at({}))
  expect(more).toEqual([])
  expect(add).toMatchObject({
    do: 'add-device',
    device: { kit: 'router-dual-band', defaultPassword: true, upnp: true },
  })
})

test('at work it hangs on its socket, and nobody knows its password', () => {
  const [add, plug] = boxDeeds(router, at({ socket: { device: 'gw', port: 'lan2' }, medium: 'powerline' }))
  expect(add).toMatchObject({ device: { defaultPassword: undefined, upnp: true } })
  expect(plug).toMatchObject({
    do: 'plug-cable',
    cable: { a: { device: 'gw', port: 'lan2' }, b: { device: 'box', port: 'wan' }, medium: 'powerline' },
  })
})

test('set otherwise than sold its server is off, unless somebody saw it on', () => {
  expect(does({ mode: router.modes[2], join: hawthorn })).toEqual([
    'add-device',
    'set-mode',
    'turn-off-dhcp-server',
    'set-uplink',
  ])
  expect(does({ mode: router.modes[2], join: hawthorn, gives: true })).not.toContain('turn-off-dhcp-server')
  expect(does({ gives: false })).not.toContain('turn-off-dhcp-server')
})

test('a cable goes before radio, and no band is joined that it has no radio for', () => {
  expect(
    does({ mode: router.modes[2], socket: { device: 'gw', port: 'lan2' }, join: hawthorn }),
  ).not.toContain('set-uplink')
  expect(does({ mode: satellite.modes[0], join: hawthorn }, satellite)).toEqual(['add-device'])
  expect(joinableBy(satellite, [hawthorn])).toEqual([])
  expect(joinableBy(router, [hawthorn])).toEqual([hawthorn])
  expect(joinableBy(undefined, [hawthorn])).toEqual([])
})

test('a partner is named by a kind that names it, and by no other', () => {
  const wds = { ...router.modes[2], namesPartner: true }
  const uplinkOf = (change: object) => boxDeeds(router, at(change)).find((one) => one.do === 'set-uplink')
  expect(uplinkOf({ mode: wds, join: hawthorn, partner: 'main' })).toMatchObject({ uplink: { near: 'main' } })
  expect(uplinkOf({ mode: router.modes[2], join: hawthorn, partner: 'main' })).not.toMatchObject({
    uplink: { near: 'main' },
  })
})

test('a satellite sends what it joins', () => {
  const deeds = boxDeeds(satellite, at({ mode: satellite.modes[0], join: { ...hawthorn, band: '5' } }))
  expect(deeds.slice(1)).toMatchObject([
    { do: 'set-uplink', uplink: { radio: '5g', ssid: 'hawthorn', key: 'family' } },
    { do: 'set-wifi', place: 0, network: { radio: '5g', ssid: 'hawthorn', security: 'wpa2', key: 'family' } },
  ])
})
