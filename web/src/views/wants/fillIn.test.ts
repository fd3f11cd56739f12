import { expect, test } from 'vitest'
import { type Blanks, fillIn } from './fillIn'

const blanks: Blanks = {
  id: 'n1',
  one: 'tablet',
  other: 'printer',
  discovery: true,
  protocol: 'udp',
  port: '',
  prefix: ' 10.0.0.0/8 ',
  network: { radio: '2g', ssid: 'larkspur', key: 'home' },
  servers: '192.0.2.53, 192.0.2.54',
  room: ' study ',
  count: '3',
  mbps: '12,5',
  place: 'room loft',
  device: 'own',
}

test('each kind takes the blanks of its own and no other', () => {
  expect(fillIn('internet', blanks)).toEqual({ kind: 'internet', id: 'n1', endpoint: 'tablet' })
  expect(fillIn('single-nat', blanks)).toEqual({ kind: 'single-nat', id: 'n1' })
  expect(fillIn('reach', blanks)).toEqual({
    kind: 'reach',
    id: 'n1',
    from: 'tablet',
    to: 'printer',
    discovery: true,
  })
  expect(fillIn('reach', { ...blanks, port: '53' })).toMatchObject({ protocol: 'udp', port: 53 })
  expect(fillIn('keep-name', blanks)).toEqual({ kind: 'keep-name', id: 'n1', ssid: 'larkspur', key: 'home' })
  expect(fillIn('guests-apart', blanks)).toEqual({ kind: 'guests-apart', id: 'n1', ssid: 'larkspur' })
  expect(fillIn('tunnel', blanks)).toMatchObject({ prefix: '10.0.0.0/8' })
  expect(fillIn('sockets', blanks)).toMatchObject({ room: 'study', count: 3 })
  expect(fillIn('dns', { ...blanks, one: '' })).toEqual({
    kind: 'dns',
    id: 'n1',
    servers: ['192.0.2.53', '192.0.2.54'],
  })
  expect(fillIn('speed', blanks)).toEqual({ kind: 'speed', id: 'n1', mbps: 12.5, room: 'loft' })
  expect(fillIn('speed', { ...blanks, place: 'thing tablet' })).toMatchObject({ endpoint: 'tablet' })
})

test.each([
  ['inbound', { port: '' }, /^Port: Missing/],
  ['inbound', { port: '70000' }, /^Port: “70000” is no port/],
  ['reach', { port: 'x' }, /^Port: “x”/],
  ['sockets', { count: 'many' }, /^Sockets: “many”/],
  ['sockets', { room: ' ' }, /^Room: Missing/],
  ['speed', { mbps: '0' }, /^Mb\/s: “0”/],
  ['coverage', { mbps: '' }, /^Mb\/s: “”/],
] as const)('a %s that lacks something says what', (kind, wrong, says) => {
  expect(fillIn(kind, { ...blanks, ...wrong })).toMatch(says)
})
