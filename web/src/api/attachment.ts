import type { Endpoint } from './types'

export type Attachment = NonNullable<Endpoint['connect']>
export type Plug = Extract<Attachment, { device: string }>
export type Join = Extract<Attachment, { ssid: string }>

/** The socket a thing is plugged into, if it is. */
export const plugOf = (thing: Endpoint | null | undefined): Plug | null =>
  thing?.connect && 'device' in thing.connect ? thing.connect : null

/** The Wi-Fi a thing has joined, if it has. */
export const joinOf = (thing: Endpoint | null | undefined): Join | null =>
  thing?.connect && 'ssid' in thing.connect ? thing.connect : null
