import { Flex, Switch, Text } from '@chakra-ui/react'
import type { Action, Device, WifiNetwork, WifiSecurity } from '../../api/types'
import { Choice } from '../../parts/Choice'
import { DraftField } from '../../parts/DraftField'
import { securityWords } from '../../parts/words'

/** Name and security of each network a box makes. The password itself is never asked for: only the name it is kept under. */
export function WifiFields(props: {
  device: Device
  attempt: (actions: Action[], ...fields: string[]) => Promise<string | undefined>
}) {
  const { device, attempt } = props
  const bands = new Map((device.radios ?? []).map((radio) => [radio.id, radio.band]))
  return (
    <>
      {(device.wifi ?? []).map((network, place) => {
        const set = (change: Partial<WifiNetwork>, ...fields: string[]) =>
          attempt(
            [{ do: 'set-wifi', device: device.id, place, network: { ...network, ...change } }],
            ...fields,
          )
        const band = bands.get(network.radio)
        return (
          // A box's networks have no name of their own but their place in its list.
          <Flex key={`${network.radio}-${place}`} gap="12px" wrap="wrap" mt="8px" align="start">
            <Text w="76px" fontSize="14px" pt={{ base: '26px', md: '24px' }}>
              Wi-Fi {band}
            </Text>
            <DraftField
              label="Name (SSID)"
              mono
              value={network.ssid}
              commit={(ssid) => set({ ssid }, 'network.ssid', 'ssid')}
            />
            <Choice
              label="Security"
              width="150px"
              value={network.security ?? 'open'}
              options={(Object.keys(securityWords) as WifiSecurity[]).map((value) => ({
                value,
                label: securityWords[value],
              }))}
              onChange={(security) => void set({ security })}
            />
            <DraftField
              label="Password kept as"
              width="130px"
              mono
              value={network.key ?? ''}
              placeholder="none"
              commit={(key) => set({ key: key || undefined }, 'network.key')}
            />
            <Switch.Root
              mt={{ base: '22px', md: '20px' }}
              h={{ base: '38px', md: '30px' }}
              checked={network.enabled ?? true}
              onCheckedChange={({ checked }) => void set({ enabled: checked })}
            >
              <Switch.HiddenInput aria-label={`Wi-Fi ${network.ssid}, ${band} GHz`} />
              <Switch.Control bg={network.enabled === false ? 'quiet' : 'spruce'} />
              <Switch.Label fontWeight="400">{network.enabled === false ? 'off' : 'on'}</Switch.Label>
            </Switch.Root>
          </Flex>
        )
      })}
    </>
  )
}
