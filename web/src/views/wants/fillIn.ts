import type { Device, Need } from '../../api/types'
import { numberIn } from '../../parts/numberIn'
import type { Transport } from '../../parts/Protocol'

export type Kind = NonNullable<Need['kind']>

/** What stands in the blanks, as it was typed or chosen. */
export type Blanks = {
  id: string
  one: string
  other: string
  discovery: boolean
  protocol: Transport
  port: string
  prefix: string
  network: NonNullable<Device['wifi']>[number] | undefined
  servers: string
  room: string
  count: string
  mbps: string
  /** `room NAME` or `thing ID`. */
  place: string
  /** A box. */
  device: string
}

/** The want that the blanks make, or what is wrong with one of them. */
export function fillIn(kind: Kind, blanks: Blanks): Need | string {
  const { id, one } = blanks
  switch (kind) {
    case 'internet':
    case 'fixed-address':
      return { kind, id, endpoint: one }
    case 'main-router':
      return { kind, id, device: blanks.device }
    case 'single-nat':
    case 'one-name':
    case 'own-names':
      return { kind, id }
    case 'reach': {
      const port = portIn(blanks.port)
      if (typeof port === 'string') return port
      const { protocol, other, discovery } = blanks
      return { kind, id, from: one, to: other, discovery, ...(port ? { protocol, port } : {}) }
    }
    case 'inbound': {
      const port = portIn(blanks.port)
      if (typeof port === 'string') return port
      if (!port) return 'Port: Missing. Write a whole number from 1 to 65535.'
      return { kind, id, endpoint: one, protocol: blanks.protocol, port }
    }
    case 'tunnel':
      return { kind, id, prefix: blanks.prefix.trim() }
    case 'guests-apart':
      return { kind, id, ssid: blanks.network?.ssid ?? '' }
    case 'keep-name': {
      const { ssid = '', key } = blanks.network ?? {}
      return { kind, id, ssid, ...(key ? { key } : {}) }
    }
    case 'dns': {
      const servers = blanks.servers.split(/[\s,;]+/).filter(Boolean)
      return { kind, id, servers, ...(one ? { endpoint: one } : {}) }
    }
    case 'sockets':
      if (!/^\d+$/.test(blanks.count.trim()))
        return `Sockets: “${blanks.count}” is no number. Write a whole number, such as 3.`
      if (!blanks.room.trim()) return 'Room: Missing. Write the room, such as study.'
      return { kind, id, room: blanks.room.trim(), count: Number(blanks.count) }
    case 'speed': {
      const mbps = rateIn(blanks.mbps)
      if (typeof mbps === 'string') return mbps
      const [, what, name = ''] = blanks.place.match(/^(room|thing) (.*)$/) ?? []
      return what === 'room' ? { kind, id, mbps, room: name } : { kind, id, mbps, endpoint: name }
    }
    case 'coverage': {
      const mbps = rateIn(blanks.mbps)
      return typeof mbps === 'string' ? mbps : { kind, id, mbps }
    }
  }
}

function rateIn(text: string): number | string {
  const mbps = numberIn(text)
  return mbps > 0 ? mbps : `Mb/s: “${text}” is no speed. Write a number above nought, such as 50.`
}

/** Undefined where none is written. */
function portIn(text: string): number | undefined | string {
  if (text.trim() === '') return undefined
  const port = Number(text)
  return Number.isInteger(port) && port >= 1 && port <= 65535
    ? port
    : `Port: “${text}” is no port. Write a whole number from 1 to 65535, or leave it empty.`
}
