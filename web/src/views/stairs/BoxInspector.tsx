import { Box, Flex, Switch, Text } from '@chakra-ui/react'
import type { Action, Device, DeviceMode } from '../../api/types'
import { useTools } from '../../layout/JobContext'
import { useKeys } from '../../layout/useKeys'
import { Choice } from '../../parts/Choice'
import { CopyButton } from '../../parts/CopyButton'
import { DraftField } from '../../parts/DraftField'
import { Press } from '../../parts/Press'
import { modeWords } from '../../parts/words'
import { useHand } from '../../state/hand'
import { useNotices } from '../../state/notices'
import { Panel } from './Panel'
import { WifiFields } from './WifiFields'

/** The settings of one box, each put in force by itself, as on the box's own page. */
export function BoxInspector({ device }: { device: Device }) {
  const { act, select } = useTools()
  const { lastAddress, remember } = useHand()
  const say = useNotices((store) => store.say)
  const lan = device.lan
  const server = lan?.dhcpServer
  const modes = [...new Set<DeviceMode>([device.mode, ...(device.supports ?? [])])]

  const attempt = async (actions: Action[], ...fields: string[]) => {
    const problem = await act(actions)
    if (!problem) return undefined
    return fields.map((field) => problem.at(field)).find(Boolean) ?? problem.message
  }
  const orSay = async (action: Action) => {
    const problem = await act([action])
    if (problem) say(problem.message, 'problem')
  }
  const setAddress = (text: string) => {
    remember(text)
    return attempt([{ do: 'set-lan-address', device: device.id, address: text }], 'address')
  }
  useKeys({
    '.': () =>
      lastAddress && void setAddress(lastAddress).then((problem) => problem && say(problem, 'problem')),
  })

  const pool = (start: string, end: string) =>
    attempt([{ do: 'move-pool', device: device.id, start, end }], 'start', 'end')
  const subnet = lan?.address?.slice(0, lan.address.lastIndexOf('.'))

  return (
    <Panel
      title={device.name}
      actions={
        <>
          {lan?.address && <CopyButton value={lan.address.split('/')[0]} what="address" />}
          <Press
            kind="plain"
            onClick={() => void orSay({ do: 'factory-reset', device: device.id })}
            title="Every setting goes back to what the label says"
          >
            factory reset
          </Press>
          <Press
            kind="plain"
            onClick={() => void orSay({ do: 'remove-device', device: device.id }).then(() => select(null))}
          >
            remove
          </Press>
        </>
      }
    >
      <Flex gap="12px" wrap="wrap" align="start">
        <DraftField
          label="Name"
          value={device.name}
          commit={(name) => attempt([{ do: 'rename', id: device.id, name }], 'name')}
        />
        <Choice
          label="Mode"
          width="150px"
          value={device.mode}
          options={modes.map((mode) => ({ value: mode, label: modeWords[mode] }))}
          onChange={(mode) => void orSay({ do: 'set-mode', device: device.id, mode })}
        />
        {lan?.method === 'dhcp' ? (
          <Box>
            <Text fontSize="13px" color="quiet">
              Its own address
            </Text>
            <Text>asks for one</Text>
          </Box>
        ) : (
          <DraftField
            label="Its own address"
            width="190px"
            mono
            value={lan?.address ?? ''}
            placeholder="192.168.1.1/24"
            commit={setAddress}
          />
        )}
        {device.mode !== 'router' && lan && (
          <Choice
            label="Addressing"
            width="130px"
            value={lan.method ?? 'static'}
            options={[
              { value: 'static', label: 'fixed' },
              { value: 'dhcp', label: 'asks for one' },
            ]}
            onChange={(method) => {
              if (method === 'dhcp') void orSay({ do: 'ask-for-lan-address', device: device.id })
              else
                void orSay({
                  do: 'set-lan-address',
                  device: device.id,
                  address: device.label?.defaultAddress ?? '192.168.1.2/24',
                })
            }}
          />
        )}
        {lan && (device.mode === 'router' || server?.enabled) && (
          <Box>
            <Text fontSize="13px" color="quiet">
              DHCP server
            </Text>
            <Switch.Root
              h={{ base: '38px', md: '30px' }}
              checked={server?.enabled ?? false}
              onCheckedChange={({ checked }) => {
                if (!checked) void orSay({ do: 'turn-off-dhcp-server', device: device.id })
                else
                  void orSay({
                    do: 'turn-on-dhcp-server',
                    device: device.id,
                    start: server?.start ?? `${subnet}.100`,
                    end: server?.end ?? `${subnet}.199`,
                  })
              }}
            >
              <Switch.HiddenInput aria-label={`DHCP server of ${device.name}`} />
              <Switch.Control bg={server?.enabled ? 'spruce' : 'quiet'} />
              <Switch.Label fontWeight="400">{server?.enabled ? 'on' : 'off'}</Switch.Label>
            </Switch.Root>
          </Box>
        )}
        {server?.enabled && (
          <>
            <DraftField
              label="Pool from"
              mono
              width="140px"
              value={server.start ?? ''}
              commit={(start) => pool(start, server.end ?? '')}
            />
            <DraftField
              label="Pool to"
              mono
              width="140px"
              value={server.end ?? ''}
              commit={(end) => pool(server.start ?? '', end)}
            />
            <DraftField
              label="Gateway given"
              mono
              width="140px"
              value={server.gateway ?? ''}
              placeholder="itself"
              commit={(gateway) =>
                attempt(
                  [{ do: 'set-lease-gateway', device: device.id, ...(gateway ? { gateway } : {}) }],
                  'gateway',
                )
              }
            />
          </>
        )}
        {device.mode === 'router' && (
          <Choice
            label="What is behind it"
            width="170px"
            value={device.keptApart ? 'apart' : 'one'}
            options={[
              { value: 'one', label: 'one network with all' },
              { value: 'apart', label: 'kept apart, as wanted' },
            ]}
            onChange={(value) =>
              void orSay({ do: 'keep-apart', device: device.id, apart: value === 'apart' })
            }
          />
        )}
      </Flex>
      <WifiFields device={device} attempt={attempt} />
      {(server?.reservations ?? []).length > 0 && (
        <Box mt="8px">
          <Text fontSize="13px" color="quiet">
            Reserved
          </Text>
          {(server?.reservations ?? []).map((one) => (
            <Flex key={one.mac} gap="10px" align="center" fontFamily="mono" fontSize="14px">
              {one.address} for {one.mac}
              <Press
                kind="plain"
                onClick={() => void orSay({ do: 'release-reservation', device: device.id, mac: one.mac })}
              >
                release
              </Press>
            </Flex>
          ))}
        </Box>
      )}
    </Panel>
  )
}
