import type { AddressMark } from '../../api/types'

export const markWords: Record<AddressMark['kind'], string> = {
  gateway: 'gateway',
  fixed: 'fixed',
  reserved: 'reserved',
  leased: 'leased',
  contested: 'now and then',
}

/** An address as a number, so that it has a place. */
export const numberOf = (address: string) =>
  address.split('.').reduce((sum, octet) => sum * 256 + Number(octet), 0)

export const addressOf = (number: number) =>
  [24, 16, 8, 0].map((shift) => Math.floor(number / 2 ** shift) % 256).join('.')

/** “.120” where the subnet has at most 256 addresses, else the last two parts. */
export const short = (address: string, length: number) => {
  const parts = address.split('.')
  return length >= 24 ? `.${parts[3]}` : `.${parts[2]}.${parts[3]}`
}
