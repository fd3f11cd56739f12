import type { Action, Device, KitView } from '../../api/types'

type OwnLabel = { id: string; name: string; room?: string; mac?: string; address?: string }

/** The deeds that put a box of a kind into the house, with what its own label says. What the kind leaves open the core completes. */
export const takeFromShelf = (kind: KitView, label: OwnLabel, change: Partial<Device> = {}): Action[] => {
  const { address, ...own } = label
  const sold = kind.sold as Device
  const device: Device = {
    ...sold,
    ...own,
    kit: kind.kit,
    label: address ? { ...sold.label, defaultAddress: address } : sold.label,
    ...change,
  }
  const hasOwn = sold.lan && sold.lan.method !== 'dhcp'
  return [
    { do: 'add-device', device },
    // Its pool goes along into the other subnet.
    ...(address && hasOwn ? [{ do: 'set-lan-address' as const, device: own.id, address }] : []),
  ]
}
