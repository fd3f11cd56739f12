import { Flex } from '@chakra-ui/react'
import { useState } from 'react'
import type { Device } from '../../api/types'
import { addressList } from '../../features/address/addressWords'
import { useSettings } from '../../features/box/useSettings'
import { DraftChoice } from '../../parts/Choice'
import { DraftField } from '../../parts/DraftField'
import { OnOff } from '../../parts/OnOff'

type Wan = NonNullable<Device['wan']>

/** A router's side towards the street. */
export function WanFields({ device }: { device: Device }) {
  const { attempt, orSay } = useSettings()
  const wan: Wan = device.wan ?? { method: 'dhcp' }
  // A fixed address is set once somebody has typed the one that was agreed: none stands in for it.
  const [isAsked, ask] = useState(false)
  const method = isAsked && !wan.address ? 'static' : (wan.method ?? 'dhcp')
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
        value={method}
        options={[
          { value: 'dhcp', label: 'automatic' },
          { value: 'pppoe', label: 'PPPoE' },
          { value: 'static', label: 'fixed' },
          { value: 'none', label: 'off' },
        ]}
        commit={(to) => {
          ask(to === 'static')
          if (to !== 'static' || wan.address) orSay(set({ method: to }))
        }}
      />
      {method === 'static' && (
        <>
          <DraftField
            label="Agreed address"
            mono
            width="190px"
            value={wan.address ?? ''}
            placeholder="as agreed, with /30"
            commit={(address) => attempt([set({ method: 'static', address })], 'wan.address')}
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
