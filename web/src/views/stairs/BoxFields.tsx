import { Box, Flex, Text } from '@chakra-ui/react'
import type { Device } from '../../api/types'
import { addressList, inSubnetOf } from '../../features/address/addressWords'
import { useSettings } from '../../features/box/useSettings'
import { useJob } from '../../layout/JobContext'
import { useKeys } from '../../layout/useKeys'
import { DraftChoice } from '../../parts/Choice'
import { DraftField } from '../../parts/DraftField'
import { OnOff } from '../../parts/OnOff'
import { Press } from '../../parts/Press'
import { wordsOf } from '../../parts/wordsOf'
import { useHand } from '../../state/hand'
import { say } from '../../state/notices'
import { AddressField } from './AddressField'

/** What a box is, its own address, and what it gives out. */
export function BoxFields({ device }: { device: Device }) {
  const { attempt, orSay } = useSettings()
  const { lastAddress, remember } = useHand()
  const lan = device.lan
  const server = lan?.dhcpServer
  const { house } = useJob()
  const words = wordsOf(house, device.id)
  const has = (setting: string) => words?.settings.includes(setting) ?? false

  const setAddress = (typed: string) => {
    const text = inSubnetOf(lan?.address, typed)
    remember(text)
    return attempt([{ do: 'set-lan-address', device: device.id, address: text }], 'address')
  }
  useKeys({
    repeat: () =>
      lastAddress && void setAddress(lastAddress).then((problem) => problem && say(problem, 'problem')),
  })
  const setPool = (ends: { start?: string; end?: string }) =>
    attempt([{ do: 'move-pool', device: device.id, ...ends }], 'start', 'end')

  return (
    <>
      <Flex gap="12px" wrap="wrap" align="start">
        <DraftField
          label="Name"
          value={device.name}
          commit={(name) => attempt([{ do: 'rename', id: device.id, name }], 'name')}
        />
        <DraftChoice
          label="Mode"
          width="150px"
          value={device.mode}
          options={(words?.modes ?? []).map((one) => ({ value: one.mode, label: one.say }))}
          commit={(mode) => orSay({ do: 'set-mode', device: device.id, mode })}
        />
        {lan?.method === 'dhcp' ? (
          <Box>
            <Text fontSize="note" color="quiet">
              Its own address
            </Text>
            <Text>asks for one</Text>
          </Box>
        ) : (
          <AddressField
            owner={device.id}
            label="Its own address"
            width="190px"
            mono
            value={lan?.address ?? ''}
            placeholder="192.168.1.1/24"
            commit={setAddress}
          />
        )}
        {words?.mayAskForAddress && lan && (
          <DraftChoice
            label="Addressing"
            width="130px"
            value={lan.method ?? 'static'}
            options={[
              { value: 'static', label: 'fixed' },
              { value: 'dhcp', label: 'asks for one' },
            ]}
            commit={(method) => {
              if (method === 'dhcp') orSay({ do: 'ask-for-lan-address', device: device.id })
              else
                orSay({
                  do: 'set-lan-address',
                  device: device.id,
                  address: words.fixedAddress,
                })
            }}
          />
        )}
        {lan && (has('dhcp-server') || has('dhcp-off')) && (
          <OnOff
            label="DHCP server"
            name={`DHCP server of ${device.name}`}
            on={server?.enabled ?? false}
            set={(on) =>
              orSay(
                on
                  ? {
                      do: 'turn-on-dhcp-server',
                      device: device.id,
                      start: server?.start ?? words?.pool?.start,
                      end: server?.end ?? words?.pool?.end,
                    }
                  : { do: 'turn-off-dhcp-server', device: device.id },
              )
            }
          />
        )}
        {server?.enabled && (
          <>
            <DraftField
              label="Pool from"
              mono
              kind="address"
              width="166px"
              value={server.start ?? ''}
              commit={(start) => setPool({ start: inSubnetOf(lan?.address, start) })}
            />
            <DraftField
              label="Pool to"
              mono
              kind="address"
              width="166px"
              value={server.end ?? ''}
              commit={(end) => setPool({ end: inSubnetOf(lan?.address, end) })}
            />
            <DraftField
              label="Gateway given"
              mono
              kind="address"
              width="166px"
              value={server.gateway ?? ''}
              placeholder="itself"
              commit={(typed) => {
                const gateway = inSubnetOf(lan?.address, typed)
                return attempt(
                  [{ do: 'set-lease-gateway', device: device.id, ...(gateway ? { gateway } : {}) }],
                  'gateway',
                )
              }}
            />
            <DraftField
              label="DNS servers given"
              mono
              width="230px"
              value={(server.dns ?? []).join(' ')}
              placeholder="itself"
              commit={(text) =>
                attempt([{ do: 'set-lease-dns', device: device.id, servers: addressList(text) }], 'servers')
              }
            />
            <DraftField
              label="Lease in minutes"
              mono
              kind="number"
              width="120px"
              value={server.leaseMinutes == null ? '' : String(server.leaseMinutes)}
              placeholder="not known"
              commit={(text) =>
                /^\d+$/.test(text)
                  ? attempt(
                      [{ do: 'set-lease-time', device: device.id, leaseMinutes: Number(text) }],
                      'leaseMinutes',
                    )
                  : Promise.resolve(`“${text}” is no time. Write minutes, such as 720.`)
              }
            />
          </>
        )}
        {has('hairpin') && (
          <DraftChoice
            label="What is behind it"
            width="170px"
            value={device.keptApart ? 'apart' : 'one'}
            options={[
              { value: 'one', label: 'one network with all' },
              { value: 'apart', label: 'kept apart, as wanted' },
            ]}
            commit={(value) => orSay({ do: 'keep-apart', device: device.id, apart: value === 'apart' })}
          />
        )}
        {device.defaultPassword && (
          <Box>
            <Text fontSize="note" color="ochre">
              Admin password: the label’s own
            </Text>
            <Press onClick={() => orSay({ do: 'change-admin-password', device: device.id })}>
              It is changed
            </Press>
          </Box>
        )}
      </Flex>
      {(server?.reservations ?? []).length > 0 && (
        <Box mt="8px">
          <Text fontSize="note" color="quiet">
            Reserved
          </Text>
          {(server?.reservations ?? []).map((one) => (
            <Flex key={one.mac} gap="10px" align="center" fontFamily="mono" fontSize="small">
              {one.address} for {one.mac}
              <Press
                kind="plain"
                onClick={() => orSay({ do: 'release-reservation', device: device.id, mac: one.mac })}
              >
                release
              </Press>
            </Flex>
          ))}
        </Box>
      )}
    </>
  )
}
