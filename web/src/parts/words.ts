import type { House, HouseSummary, HouseView, Socket, WifiSecurity } from '../api/types'

export const securityWords: Record<WifiSecurity, string> = {
  open: 'open, no password',
  wep: 'WEP',
  wpa: 'WPA',
  wpa2: 'WPA2',
  'wpa2-wpa3': 'WPA2 and WPA3',
  wpa3: 'WPA3',
}

/** “1 fault”, “2 faults”. */
export const count = (n: number, one: string, more = `${one}s`) => `${n} ${n === 1 ? one : more}`

export function verdictWords(verdict: HouseSummary): string {
  const parts = [
    verdict.wants === 0 ? 'no wants yet' : `${verdict.wantsHeld} of ${count(verdict.wants, 'want')} hold`,
  ]
  if (verdict.wants > 0 && verdict.wantsHeld === verdict.wants)
    parts[0] = verdict.wants === 1 ? 'the want holds' : `all ${verdict.wants} wants hold`
  if (verdict.faults) parts.push(count(verdict.faults, 'fault'))
  if (verdict.cautions) parts.push(count(verdict.cautions, 'caution'))
  if (!verdict.faults && !verdict.cautions) parts.push('no faults')
  return parts.join(' · ')
}

/** Looked up once a house: a big one has thousands of sockets to be named. */
const names = new WeakMap<House, Map<string, string>>()
const sockets = new WeakMap<HouseView, Map<string, string>>()

export function nameOf(house: House, id: string): string {
  if (id === 'isp') return 'the provider'
  let all = names.get(house)
  if (!all) {
    all = new Map([...(house.endpoints ?? []), ...(house.devices ?? [])].map((one) => [one.id, one.name]))
    names.set(house, all)
  }
  return all.get(id) ?? id
}

/** “WAN”, “LAN 2”: as the core names a box's sockets. */
export function portName(view: HouseView, socket: Socket): string {
  let all = sockets.get(view)
  if (!all) {
    all = new Map(
      view.boxes.flatMap((box) => box.sockets.map((one) => [`${box.id}/${one.id}`, one.say] as const)),
    )
    sockets.set(view, all)
  }
  return all.get(`${socket.device}/${socket.port}`) ?? socket.port
}

export const socketName = (view: HouseView, socket: Socket): string =>
  `${nameOf(view.document, socket.device)} ${portName(view, socket)}`

const numbers = ['no', 'one', 'two', 'three', 'four', 'five', 'six', 'seven', 'eight', 'nine', 'ten']
const inWords = (n: number) => numbers[n] ?? `${n}`

/** “One fault fewer, two wants more hold”: what has become different between two verdicts. */
export function changeWords(old: HouseSummary, now: HouseSummary): string {
  const by = (n: number, one: string) =>
    n === 0
      ? []
      : [`${inWords(Math.abs(n))} ${one}${Math.abs(n) === 1 ? '' : 's'} ${n > 0 ? 'more' : 'fewer'}`]
  const held = now.wantsHeld - old.wantsHeld
  return [
    ...by(now.faults - old.faults, 'fault'),
    ...by(now.cautions - old.cautions, 'caution'),
    ...(held === 0
      ? []
      : [
          `${inWords(Math.abs(held))} ${Math.abs(held) === 1 ? 'want' : 'wants'} ${held > 0 ? 'more' : 'fewer'} held`,
        ]),
    ...(now.wants === old.wants ? [] : by(now.wants - old.wants, 'want')),
  ].join(', ')
}
