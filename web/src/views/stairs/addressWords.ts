import type { Endpoint, HouseView } from '../../api/types'

/** A thing's address as short as its tread allows: the last number alone where the tread's label says the rest. */
export function addressWords(
  house: HouseView,
  endpoint: Endpoint,
  subnets: string[],
): { text: string; isBad: boolean } {
  const net = house.interfaces.find((one) => one.owner === endpoint.id && one.interface === 'net')
  if (!net) return { text: 'no address', isBad: true }
  const [held] = net.candidates
  const address = held?.address ?? held?.says ?? ''
  switch (net.outcome) {
    case 'leased':
      return { text: shorten(address, subnets), isBad: false }
    case 'static':
      return { text: `${shorten(address, subnets)}${net.isAmiss ? '' : ' static'}`, isBad: net.isAmiss }
    case 'link-local':
      return { text: 'no answer', isBad: true }
    case 'contested':
      return { text: 'by chance', isBad: true }
    case 'none':
      return { text: 'no address', isBad: true }
  }
}

export function shorten(address: string, subnets: string[]): string {
  const bare = address.split('/')[0]
  const home =
    subnets.length === 1 && subnets[0].endsWith('/24')
      ? subnets[0].slice(0, subnets[0].lastIndexOf('.') + 1)
      : null
  return home && bare.startsWith(home) ? bare.slice(home.length - 1) : bare
}

/** Addresses as people type them one after the other: with blanks, commas or both. */
export const addressList = (text: string): string[] => text.split(/[\s,;]+/).filter(Boolean)

/** “.20”, as the picture says it, in the subnet of another address; whatever follows the number stays. Other texts stay as they are. */
export function inSubnetOf(other: string | null | undefined, text: string): string {
  const bare = other?.split('/')[0]
  return bare && /^\.\d{1,3}(\D|$)/.test(text) ? bare.slice(0, bare.lastIndexOf('.')) + text : text
}

const numberOf = (address: string): number | undefined => {
  const parts = address.split('.').map((part) => (/^\d{1,3}$/.test(part) ? Number(part) : 256))
  return parts.length === 4 && parts.every((part) => part < 256)
    ? parts.reduce((all, part) => all * 256 + part, 0)
    : undefined
}

const textOf = (address: number) =>
  [24, 16, 8, 0].map((bits) => Math.floor(address / 2 ** bits) % 256).join('.')

/**
 * Where a pool ends when its start is set behind its end: as long as before, within the subnet. Whoever moves both ends sets one first, and
 * would be refused.
 *
 * @param own The server's own address with its prefix.
 */
export function endFor(start: string, was: { start?: string; end?: string }, own: string): string {
  const end = was.end ?? ''
  const [from, last, before, at] = [start, end, was.start ?? '', own.split('/')[0]].map(numberOf)
  if (from === undefined || last === undefined || before === undefined || at === undefined || from <= last)
    return end
  const size = 2 ** (32 - Number(own.split('/')[1] ?? 24))
  const lastUsable = Math.floor(at / size) * size + size - 2
  return from > lastUsable ? end : textOf(Math.min(from + Math.max(last - before, 0), lastUsable))
}
