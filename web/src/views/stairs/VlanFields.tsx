import { Flex, Text } from '@chakra-ui/react'
import type { Device, Port } from '../../api/types'
import { useSettings } from '../../features/box/useSettings'
import { useJob } from '../../layout/JobContext'
import { DraftField } from '../../parts/DraftField'
import { portName } from '../../parts/words'
import { wordsOf } from '../../parts/wordsOf'

/** Numbers between commas or blanks; what is no number becomes 0, which the server refuses by name. */
const numbers = (text: string) => (text.match(/[^\s,]+/g) ?? []).map((one) => Number(one) || 0)

/** Which VLAN each socket is in, and which it carries tagged. */
export function VlanFields({ device }: { device: Device }) {
  const { house } = useJob()
  const { attempt } = useSettings()
  const ports = (device.ports ?? []).filter(
    (port) => !wordsOf(house, device.id)?.routes || port.role === 'lan',
  )
  const set = (port: Port, vlan: number | null | undefined, tagged: number[]) => ({
    do: 'set-port-vlan' as const,
    device: device.id,
    port: port.id,
    ...(vlan ? { vlan } : {}),
    tagged,
  })
  return (
    <>
      <Text fontSize="note" color="quiet">
        Untagged: what is plugged in here belongs to it. Tagged: carried beside it to another box that knows
        it. Empty is the box’s own network.
      </Text>
      {ports.map((port) => {
        const name = portName(house, { device: device.id, port: port.id })
        return (
          <Flex key={port.id} gap="12px" wrap="wrap" align="start" mt="4px">
            <Text w="64px" fontSize="small" pt={{ base: '26px', md: '24px' }}>
              {name}
            </Text>
            <DraftField
              label={`${name} untagged`}
              width="120px"
              mono
              value={port.vlan ? String(port.vlan) : ''}
              placeholder="own"
              commit={(text) =>
                text && !Number(text)
                  ? Promise.resolve(`“${text}” is no VLAN. Write a number from 1 to 4094.`)
                  : attempt([set(port, Number(text), port.tagged ?? [])], 'vlan')
              }
            />
            <DraftField
              label={`${name} tagged`}
              width="140px"
              mono
              value={(port.tagged ?? []).join(', ')}
              placeholder="none"
              commit={(text) => attempt([set(port, port.vlan, numbers(text))], 'tagged')}
            />
          </Flex>
        )
      })}
    </>
  )
}
