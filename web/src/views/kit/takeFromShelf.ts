import type { Action, Device, KitView } from '../../api/types'

export type OwnLabel = { id: string; name: string; room?: string; mac?: string; address?: string }

/** The deeds that put a box of a kind into the house, with what its own label says. They wait like any others while nobody answers. */
export function takeFromShelf(kind: KitView, box: OwnLabel, change: Partial<Device> = {}): Action[] {
  const sold = kind.sold as Device
  // In a default name the last four of its MAC stand for themselves; a password as sold is each box's own.
  const last =
    (box.mac ?? '')
      .replace(/[^0-9a-f]/gi, '')
      .slice(-4)
      .toUpperCase() || '0000'
  const device: Device = {
    ...sold,
    id: box.id,
    name: box.name,
    room: box.room,
    mac: box.mac,
    kit: kind.kit,
    label: box.address ? { ...sold.label, defaultAddress: box.address } : sold.label,
    wifi: (sold.wifi ?? []).map((network) => ({
      ...network,
      ssid: network.ssid.replace('{mac4}', last),
      key: network.key ? `${box.id} as sold` : undefined,
    })),
    ...change,
  }
  const length = sold.lan?.address?.split('/')[1] ?? '24'
  return [
    { do: 'add-device', device },
    // Its pool goes along into the other subnet.
    ...(box.address && sold.lan?.method !== 'dhcp' && sold.lan
      ? [{ do: 'set-lan-address' as const, device: box.id, address: `${box.address}/${length}` }]
      : []),
  ]
}
