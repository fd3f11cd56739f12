import type { Device } from '../../api/types'
import { DraftField } from '../../parts/DraftField'
import { useSettings } from '../box/useSettings'
import { poolEnds } from './addressWords'

/** What a box gives out, in one field: “.100 to .199”, as its page or a lease shows it. */
export function PoolField({ box }: { box: Device }) {
  const { attempt } = useSettings()
  const server = box.lan?.dhcpServer
  if (!server?.enabled) return null
  const known = server.start && server.end ? `${server.start} to ${server.end}` : ''
  return (
    <DraftField
      label="It gives out"
      mono
      width="280px"
      value={known}
      placeholder=".100 to .199, not seen yet"
      commit={(text) => {
        const ends = poolEnds(text, box.lan?.address)
        return ends
          ? attempt([{ do: 'move-pool', device: box.id, ...ends }], 'start', 'end')
          : Promise.resolve(
              `“${text}” is no pool. Write its first and its last address, such as .100 to .199, or one of the two.`,
            )
      }}
    />
  )
}
