import type { Need } from '../api/types'

/** What a want that fails on site complains of: the kind of complaint and its blanks, as one word of an address. */
export function complaintOf(want: Need): string | null {
  switch (want.kind) {
    case 'internet':
      return why('internet', want.endpoint)
    case 'reach':
      return why('reach', want.from, want.to)
    case 'inbound':
      return why('outside', `${want.endpoint} ${want.port}`)
    case 'keep-name':
      return why('network', want.ssid)
    default:
      return null
  }
}

const why = (kind: string, ...blanks: string[]) => [kind, ...blanks].map(encodeURIComponent).join('/')

/** The same read back; null where it is something else. */
export function complaintIn(word: string | null): { kind: string; blanks: string[] } | null {
  if (!word?.includes('/')) return null
  const [kind, ...blanks] = word.split('/').map(decodeURIComponent)
  return { kind, blanks }
}
