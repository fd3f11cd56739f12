import { Flex } from '@chakra-ui/react'
import type { Device } from '../../api/types'
import { DraftChoice } from '../../parts/Choice'
import { DraftField } from '../../parts/DraftField'
import { OnOff } from '../../parts/OnOff'
import { addressList } from './addressWords'
import { useSettings } from './useSettings'

type Wan = NonNullable<Device['wan']>

/** A router's side towards the street. */
export function WanFields({ device }: { device: Device }) {
  const { attempt, orSay } = useSettings()
  const wan: Wan = device.wan ?? { method: 'dhcp' }
  const set = (change: Partial<Wan>) => ({
    do: 'set-wan' as const,
    device: device.id,
    wan: { ...wan, ...change },
  })
  const feature = (name: 'nat' | 'firewall' | 'upnp' | 'hairpin', label: string, on: boolean) => (
    <OnOff
      label={label}
      name={`${label} of ${device.name}`}
      on={on}
      set={(to) => orSay({ do: 'set-feature', device: device.id, feature: name, on: to })}
    />
  )
  return (
    <Flex gap="12px" wrap="wrap" align="start">
      <DraftChoice
        label="WAN address"
        width="156px"
        value={wan.method ?? 'dhcp'}
        options={[
          { value: 'dhcp', label: 'automatic' },
          { value: 'pppoe', label: 'PPPoE' },
          { value: 'static', label: 'fixed' },
          { value: 'none', label: 'off' },
        ]}
        commit={(method) =>
          orSay(
            set(
              method === 'static'
                ? {
                    method,
                    address: wan.address ?? '203.0.113.10/24',
                    gateway: wan.gateway ?? '203.0.113.1',
                  }
                : { method },
            ),
          )
        }
      />
      {wan.method === 'static' && (
        <>
          <DraftField
            label="Agreed address"
            mono
            width="190px"
            value={wan.address ?? ''}
            commit={(address) => attempt([set({ address })], 'wan.address')}
          />
          <DraftField
            label="Its gateway"
            mono
            width="156px"
            value={wan.gateway ?? ''}
            placeholder="none"
            commit={(gateway) => attempt([set({ gateway: gateway || null })], 'wan.gateway')}
          />
        </>
      )}
      <DraftField
        label="Own DNS servers"
        mono
        width="230px"
        value={(wan.dns ?? []).join(' ')}
        placeholder="the provider’s"
        commit={(text) =>
          attempt([{ do: 'set-wan-dns', device: device.id, servers: addressList(text) }], 'servers')
        }
      />
      {feature('nat', 'NAT', device.nat ?? true)}
      {feature('firewall', 'Firewall', device.firewall ?? true)}
      {feature('upnp', 'UPnP', device.upnp ?? false)}
      {feature('hairpin', 'Hairpin', device.hairpin ?? false)}
    </Flex>
  )
}
