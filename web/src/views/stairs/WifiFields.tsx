import { Flex, Text } from '@chakra-ui/react'
import type { Device, WifiNetwork, WifiSecurity } from '../../api/types'
import { useSettings } from '../../features/box/useSettings'
import { DraftChoice } from '../../parts/Choice'
import { DraftField } from '../../parts/DraftField'
import { DraftPart } from '../../parts/DraftPart'
import { numberIn } from '../../parts/numberIn'
import { OnOff } from '../../parts/OnOff'
import { Press } from '../../parts/Press'
import { Secret } from '../../parts/Secret'
import { securityWords } from '../../parts/words'

/** The networks a box makes. The document holds only the name that a password is kept under; the password itself is sealed beside it. */
export function WifiFields({ device }: { device: Device }) {
  const { attempt, orSay } = useSettings()
  const networks = device.wifi ?? []
  const radios = device.radios ?? []
  return (
    <>
      {networks.map((network, place) => (
        // A box's networks have no name of their own but their place in its list.
        <DraftPart key={`${network.radio}-${place}`} name={`${place}`}>
          <Network device={device} network={network} place={place} />
        </DraftPart>
      ))}
      {(networks.length > 0 || device.uplink) && (
        <Flex gap="8px" wrap="wrap" mt="8px">
          {radios.map((radio) => (
            <DraftField
              key={radio.id}
              label={`Power at ${radio.band} GHz, dBm`}
              name={`power ${radio.id}`}
              width="150px"
              mono
              kind="number"
              value={radio.txDbm == null ? '' : String(radio.txDbm)}
              placeholder="as sold"
              commit={(text) => {
                const power = text.trim() === '' ? undefined : numberIn(text)
                return Number.isNaN(power)
                  ? Promise.resolve(`“${text}” is no power. Write a number of dBm, such as 20.`)
                  : attempt(
                      [{ do: 'set-radio-power', device: device.id, radio: radio.id, txDbm: power }],
                      'txDbm',
                    )
              }}
            />
          ))}
        </Flex>
      )}
      {[...new Set(networks.flatMap((network) => (network.key ? [network.key] : [])))].map((key) => (
        <Secret key={key} name={key} label={`Password “${key}”`} />
      ))}
      <Flex gap="8px" mt="10px" wrap="wrap">
        {radios.map((radio) => (
          <Press
            key={radio.id}
            onClick={() =>
              orSay({
                do: 'set-wifi',
                device: device.id,
                place: networks.length,
                network: {
                  ...(networks[0] ?? { ssid: 'home', security: 'wpa2', key: 'home' }),
                  radio: radio.id,
                },
              })
            }
          >
            Add a network on {radio.band} GHz
          </Press>
        ))}
      </Flex>
    </>
  )
}

function Network({ device, network, place }: { device: Device; network: WifiNetwork; place: number }) {
  const { attempt, orSay } = useSettings()
  const band = device.radios?.find((radio) => radio.id === network.radio)?.band
  const deed = (change: Partial<WifiNetwork>) => ({
    do: 'set-wifi' as const,
    device: device.id,
    place,
    network: { ...network, ...change },
  })
  return (
    <Flex gap="8px" wrap="wrap" mt="8px" align="start">
      <Text w="56px" fontSize="small" pt={{ base: '26px', md: '24px' }}>
        {band} GHz
      </Text>
      <DraftField
        label="Name (SSID)"
        width="190px"
        mono
        value={network.ssid}
        commit={(ssid) => attempt([deed({ ssid })], 'network.ssid', 'ssid')}
      />
      <DraftChoice
        label="Security"
        width="112px"
        value={network.security ?? 'open'}
        options={(Object.keys(securityWords) as WifiSecurity[]).map((value) => ({
          value,
          label: securityWords[value],
        }))}
        commit={(security) => orSay(deed({ security }))}
      />
      <DraftField
        label="Password kept as"
        width="100px"
        mono
        value={network.key ?? ''}
        placeholder="none"
        commit={(key) => attempt([deed({ key: key || undefined })], 'network.key')}
      />
      <DraftField
        label="Channel"
        width="60px"
        mono
        value={network.channel == null ? '' : String(network.channel)}
        placeholder="auto"
        commit={(text) => {
          if (text && text !== 'auto' && !Number.isInteger(Number(text)))
            return Promise.resolve(`“${text}” is no channel. Write a number, or auto.`)
          const channel = (text === 'auto' || !text ? 'auto' : Number(text)) as WifiNetwork['channel']
          return attempt([deed({ channel })], 'network.channel')
        }}
      />
      <DraftField
        label="VLAN"
        width="60px"
        mono
        kind="number"
        value={network.vlan ? String(network.vlan) : ''}
        placeholder="own"
        commit={(text) =>
          text && !Number(text)
            ? Promise.resolve(`“${text}” is no VLAN. Write a number from 1 to 4094.`)
            : attempt([deed({ vlan: text ? Number(text) : undefined })], 'network.vlan')
        }
      />
      <OnOff
        label="Guests"
        name={`Guest network ${network.ssid}, ${band} GHz`}
        on={network.guest ?? false}
        set={(guest) => orSay(deed({ guest }))}
      />
      <OnOff
        label="On the air"
        name={`Wi-Fi ${network.ssid}, ${band} GHz`}
        on={network.enabled ?? true}
        set={(enabled) => orSay(deed({ enabled }))}
      />
    </Flex>
  )
}
