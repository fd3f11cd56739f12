import type { Endpoint, HouseView } from '../../api/types'

/** A thing's address as short as its tread allows: the last number alone where the tread's label says the rest. */
export function addressWords(
  house: HouseView,
  endpoint: Endpoint,
  subnets: string[],
): { text: string; isBad: boolean } {
  const net = house.interfaces.find((one) => one.owner === endpoint.id && one.interface === 'net')
  if (!net) return { text: 'no address', isBad: true }
  const address = net.candidates[0]?.address ?? ''
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
