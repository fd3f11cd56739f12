import type { Action, Device, JoinChoice, KitView, Socket } from '../../api/types'
import { takeFromShelf } from '../kind/takeFromShelf'

type KitMode = KitView['modes'][number]

/** What a box of a group is called until somebody names it. */
const stems: Record<KitView['group'], string> = {
  gateway: 'Gateway',
  router: 'Second router',
  mesh: 'Mesh unit',
  repeater: 'Repeater',
  'access-point': 'Access point',
  bridge: 'Bridge',
  switch: 'Switch',
  link: 'Pair',
}

/** “Hall satellite”: most households call their boxes by the room. Without a room by what it is. */
export function stemFor(kind: KitView | undefined, mode: KitMode | undefined, room: string): string {
  const stem = stems[kind?.group ?? 'router']
  const place = room.trim()
  if (!place || !kind) return stem
  const what = mode?.sendsWhatItJoins
    ? 'satellite'
    : kind.group === 'router'
      ? (mode?.say ?? 'router')
      : stem.toLowerCase()
  return `${place[0].toUpperCase()}${place.slice(1)} ${what}`
}

/** The whole of a MAC of which the last digits were read off the label, where one that was pasted, and no other, ends so; else what stands there. */
export function completeMac(text: string, seen: string[]): string {
  const end = text.trim().replace(/[:.-]/g, '').toUpperCase()
  if (!/^[0-9A-F]{2,11}$/.test(end)) return text.trim()
  const whole = [...new Set(seen)].filter((mac) => mac.replaceAll(':', '').endsWith(end))
  return whole.length === 1 ? whole[0] : text.trim()
}

/** What a box is found as, beyond what its carton says. */
export type AsFound = {
  id: string
  name: string
  room: string
  mac: string
  address: string
  mode: KitMode | undefined
  /** Into which socket of the house its cable goes; none: it joins, or lies on the table. */
  socket: Socket | null
  medium: 'ethernet' | 'powerline' | 'coax'
  join: JoinChoice | null
  /** The one box that sends what it joins, where one alone does. */
  partner?: string
  cable: string
  /** Its DHCP server is on; undefined: as it is sold. */
  gives?: boolean
  /** The digits that its Wi-Fi name ends in, where no more of its MAC is known. */
  lastFour?: string
  /** The name that its Wi-Fi was seen under: it is guarded as the household's is. */
  ssid?: string
  /** It was brought and lies on the table: the room that it is for, and whether it has a past. */
  brought?: { for: string; used: boolean }
}

/** The deeds that put it into the house as it was found there. */
export function boxDeeds(kind: KitView, found: AsFound): Action[] {
  const { id, mode, socket, join } = found
  const sold = kind.sold as Device
  const isOther = mode !== undefined && mode.mode !== sold.mode
  const deeds = takeFromShelf(
    kind,
    {
      id,
      name: found.name,
      // On the table it stands in no room yet: it is carried where a plan puts it.
      room: (found.brought ? '' : found.room) || undefined,
      mac: found.mac || undefined,
      address: found.address || undefined,
    },
    {
      // Of a box that is at work nobody knows the password yet, and who set it otherwise than it is sold did not leave the rest so.
      ...(socket || join || isOther ? { defaultPassword: undefined } : {}),
      ...(isOther && kind.modes[0]?.routes ? { upnp: undefined } : {}),
      ...(found.lastFour ? { wifi: endingIn(sold, found.lastFour) } : {}),
      ...(found.ssid ? { wifi: namedAs(sold, found.ssid) } : {}),
      ...(found.brought?.for ? { serves: [found.brought.for] } : {}),
      ...(found.brought?.used ? { usedBefore: true } : {}),
    },
  )
  if (isOther) deeds.push({ do: 'set-mode', device: id, mode: mode.mode })
  const server = sold.lan?.dhcpServer
  if (server?.enabled && mode?.mayGive && !(found.gives ?? !isOther))
    deeds.push({ do: 'turn-off-dhcp-server', device: id })
  if (socket && mode?.socket)
    deeds.push({
      do: 'plug-cable',
      cable: { id: found.cable, a: socket, b: { device: id, port: mode.socket }, medium: found.medium },
    })
  const radio = join && mode?.joins && !socket ? radioFor(sold, join) : undefined
  if (!join || !radio) return deeds
  const network = {
    radio,
    ssid: join.ssid,
    security: join.security,
    ...(join.key ? { key: join.key } : {}),
  }
  deeds.push({
    do: 'set-uplink',
    device: id,
    uplink: mode?.namesPartner && found.partner ? { ...network, near: found.partner } : network,
  })
  if (mode?.sendsWhatItJoins) deeds.push({ do: 'set-wifi', device: id, place: 0, network })
  return deeds
}

const endingIn = (sold: Device, digits: string) =>
  (sold.wifi ?? []).map((network) => ({ ...network, ssid: network.ssid.replace('{mac4}', digits) }))

/** What a box sends where only its name was seen. */
export const namedAs = (sold: Device, ssid: string) =>
  (sold.wifi ?? []).map((network) => ({ ...network, ssid, security: 'wpa2' as const, key: 'home' }))

const radioFor = (sold: Device, join: JoinChoice) =>
  (sold.radios ?? []).find((radio) => radio.band === join.band)?.id

/** The networks of the house that a box of the kind has a radio for. */
export const joinableBy = (kind: KitView | undefined, air: JoinChoice[]): JoinChoice[] =>
  air.filter((one) => kind?.sold && radioFor(kind.sold, one) !== undefined)

export const joinValue = (one: JoinChoice) => `${one.band}/${one.ssid}/${one.security}/${one.key ?? ''}`
