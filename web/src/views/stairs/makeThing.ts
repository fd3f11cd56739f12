import type { Endpoint } from '../../api/types'

export const makeThing = (
  id: string,
  name: string,
  room: string,
  connect?: Endpoint['connect'],
): Endpoint => ({
  id,
  name,
  ...(room ? { room } : {}),
  ...(connect ? { connect } : {}),
  address: { method: 'dhcp' },
})

/** A name that no box or thing has yet: “Tablet”, then “Tablet 2”. */
export function freshName(taken: string[], stem: string): string {
  if (!taken.includes(stem)) return stem
  let n = 2
  while (taken.includes(`${stem} ${n}`)) n++
  return `${stem} ${n}`
}
