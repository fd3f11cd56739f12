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

/** The two ends of a pool out of one text: “.100 to .199”, “192.168.0.100-199”, or one end: “from .100”, “to .199”. */
export function poolEnds(text: string, own?: string | null): { start?: string; end?: string } | undefined {
  const [, to, first, last] =
    /^\s*(?:from\s+)?(to\s+|up to\s+|[-–]\s*)?([\d.]+)(?:\s*(?:to|[-–…]|\.\.\.?|\s)\s*([\d.]+))?\s*(?:on)?\s*$/i.exec(
      text,
    ) ?? []
  if (!first) return undefined
  const whole = (end: string) => inSubnetOf(own, /^\d+$/.test(end) ? `.${end}` : end)
  if (last)
    return to
      ? undefined
      : { start: whole(first), end: inSubnetOf(whole(first), /^\d+$/.test(last) ? `.${last}` : last) }
  return to ? { end: whole(first) } : { start: whole(first) }
}
