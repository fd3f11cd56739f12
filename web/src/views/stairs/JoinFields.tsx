import { Flex, Text } from '@chakra-ui/react'
import type { Device, JoinChoice } from '../../api/types'
import { useSettings } from '../../features/box/useSettings'
import { useJob } from '../../layout/JobContext'
import { DraftChoice } from '../../parts/Choice'
import { OnOff } from '../../parts/OnOff'
import { nameOf } from '../../parts/words'
import { wordsOf } from '../../parts/wordsOf'

type Uplink = NonNullable<Device['uplink']>

/** The networks that the core says it could join, as choices. */
const heard = (joinable: JoinChoice[]) =>
  joinable.map((one) => ({
    value: `${one.radio}/${one.ssid}/${one.security}/${one.key ?? ''}`,
    label: `${one.ssid}, ${one.band} GHz`,
    uplink: {
      radio: one.radio ?? '',
      ssid: one.ssid,
      security: one.security,
      ...(one.key ? { key: one.key } : {}),
    } satisfies Uplink,
  }))

/** Whose Wi-Fi a box joins; of a gateway in pass-through, whom it hands the line to. */
export function JoinFields({ device }: { device: Device }) {
  const { house } = useJob()
  const { orSay } = useSettings()
  const devices = house.document.devices ?? []
  const words = wordsOf(house, device.id)
  if (words?.settings.includes('passthrough-to'))
    return (
      <DraftChoice
        label="Hands the line to"
        width="230px"
        value={device.passthroughTo ?? ''}
        options={[
          { value: '', label: 'nobody' },
          ...devices
            .filter((other) => other.id !== device.id && wordsOf(house, other.id)?.routes)
            .map((other) => ({ value: other.id, label: other.name })),
        ]}
        commit={(target) =>
          orSay({
            do: 'set-passthrough-target',
            device: device.id,
            ...(target ? { target } : {}),
          })
        }
      />
    )
  const uplink = device.uplink
  const now = uplink ? `${uplink.radio}/${uplink.ssid}/${uplink.security}/${uplink.key ?? ''}` : ''
  const options = heard(words?.joinable ?? [])
  const joined = house.uplinks.find((one) => one.box === device.id)
  const put = (to: Uplink | null) =>
    orSay({ do: 'set-uplink', device: device.id, ...(to ? { uplink: to } : {}) })
  return (
    <Flex gap="12px" wrap="wrap" align="start">
      <DraftChoice
        label="Joins the Wi-Fi"
        width="230px"
        value={now}
        options={[
          { value: '', label: 'nobody’s' },
          ...(uplink && !options.some((one) => one.value === now)
            ? [{ value: now, label: `${uplink.ssid}, which nobody makes so` }]
            : []),
          ...options,
        ]}
        commit={(value) => put(options.find((one) => one.value === value)?.uplink ?? null)}
      />
      {uplink && (
        <DraftChoice
          label="Of which box"
          width="200px"
          value={uplink.near ?? ''}
          options={[
            { value: '', label: 'whichever is nearest' },
            ...devices
              .filter((other) => other.id !== device.id && (other.wifi ?? []).length > 0)
              .map((other) => ({ value: other.id, label: other.name })),
          ]}
          commit={(near) => {
            const { near: _, ...rest } = uplink
            put(near ? { ...rest, near } : rest)
          }}
        />
      )}
      {words?.settings.includes('serves-wifi') && (
        <OnOff
          label="Its own Wi-Fi"
          name={`Own Wi-Fi of ${device.name}`}
          on={device.servesWifi ?? false}
          set={(on) => orSay({ do: 'set-feature', device: device.id, feature: 'serves-wifi', on })}
        />
      )}
      {uplink && (
        <Text pt={{ base: '26px', md: '24px' }} fontSize="small" color={joined ? 'moss' : 'brick'}>
          {joined ? `joined to ${nameOf(house.document, joined.joined)}` : 'joins nothing'}
        </Text>
      )}
    </Flex>
  )
}
