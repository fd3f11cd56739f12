import { Box, Flex, Text } from '@chakra-ui/react'
import type { Action, Endpoint } from '../../api/types'
import { useJob, useTools } from '../../layout/JobContext'
import { AddressText } from '../../parts/AddressText'
import { Choice } from '../../parts/Choice'
import { CopyButton } from '../../parts/CopyButton'
import { DraftField } from '../../parts/DraftField'
import { Press } from '../../parts/Press'
import { nameOf, socketName } from '../../parts/words'
import { useHand } from '../../state/hand'
import { useNotices } from '../../state/notices'
import { connections } from './connections'
import { Panel } from './Panel'

/** A thing that uses the network: where it is plugged, how it is addressed, its way to the street. */
export function ThingInspector({ thing }: { thing: Endpoint }) {
  const { house } = useJob()
  const { act, select } = useTools()
  const { remember } = useHand()
  const say = useNotices((store) => store.say)
  const net = house.interfaces.find((one) => one.owner === thing.id && one.interface === 'net')
  const way = house.internet.find((one) => one.from === thing.id)
  const address = thing.address
  const isStatic = address?.method === 'static'
  const now = net?.candidates[0]?.address?.split('/')[0]

  const attempt = async (action: Action, ...fields: string[]) => {
    const problem = await act([action])
    if (!problem) return undefined
    return fields.map((field) => problem.at(field)).find(Boolean) ?? problem.message
  }
  const orSay = async (action: Action) => {
    const problem = await act([action])
    if (problem) say(problem.message, 'problem')
  }
  const fix = (change: { address?: string; gateway?: string }) => {
    if (change.address) remember(change.address)
    const gateway = change.gateway !== undefined ? change.gateway : (address?.gateway ?? '')
    const next = {
      method: 'static' as const,
      address: change.address ?? address?.address ?? '',
      ...(gateway ? { gateway, dns: [gateway] } : {}),
    }
    return attempt(
      { do: 'set-endpoint-address', endpoint: thing.id, address: next },
      'address.address',
      'address.gateway',
      'gateway',
      'address',
    )
  }
  const options = connections(house.document, thing)
  const current = options.find((option) => option.isCurrent)?.value ?? 'none'

  return (
    <Panel
      title={thing.name}
      actions={
        <Press
          kind="plain"
          onClick={() => void orSay({ do: 'remove-endpoint', endpoint: thing.id }).then(() => select(null))}
        >
          remove
        </Press>
      }
    >
      <Flex gap="12px" wrap="wrap" align="start">
        <DraftField
          label="Name"
          value={thing.name}
          commit={(name) => attempt({ do: 'rename', id: thing.id, name }, 'name')}
        />
        <Choice
          label="Where"
          width="230px"
          value={current}
          options={options}
          onChange={(value) => {
            const chosen = options.find((option) => option.value === value)
            void orSay(
              chosen?.to
                ? { do: 'connect-endpoint', endpoint: thing.id, to: chosen.to }
                : { do: 'unplug-endpoint', endpoint: thing.id },
            )
          }}
        />
        <Choice
          label="Addressing"
          width="130px"
          value={isStatic ? 'static' : 'dhcp'}
          options={[
            { value: 'dhcp', label: 'automatic' },
            { value: 'static', label: 'fixed' },
          ]}
          onChange={(method) => {
            if (method === 'dhcp')
              void orSay({ do: 'set-endpoint-address', endpoint: thing.id, address: { method: 'dhcp' } })
            else {
              const gateway = net?.candidates[0]?.gateway ?? undefined
              void fix({ address: net?.candidates[0]?.address ?? '192.168.1.50/24', gateway: gateway ?? '' })
            }
          }}
        />
        {isStatic && (
          <>
            <DraftField
              label="Fixed address"
              width="190px"
              mono
              value={address?.address ?? ''}
              commit={(text) => fix({ address: text })}
            />
            <DraftField
              label="Gateway"
              mono
              value={address?.gateway ?? ''}
              placeholder="none"
              commit={(text) => fix({ gateway: text })}
            />
          </>
        )}
      </Flex>
      <Box mt="8px" fontSize="14px">
        <Text>
          {now ? (
            <>
              Its address is <AddressText fontWeight="600">{now}</AddressText>{' '}
              <CopyButton value={now} what="address" />
            </>
          ) : (
            'It has no address. '
          )}
          {thing.mac && (
            <>
              {' '}
              MAC <AddressText>{thing.mac}</AddressText>
            </>
          )}
        </Text>
        <Text color="quiet">
          {way?.reachable === 'no'
            ? 'It does not reach the internet.'
            : `Its way to the street: ${[thing.name, ...(way?.hops ?? []).map((hop) => nameOf(house.document, hop)), 'the street'].join(' → ')}${way?.reachable === 'sometimes' ? ', now and then' : ''}.`}
          {thing.connect?.device && thing.connect.port
            ? ` Plugged into ${socketName(house.document, { device: thing.connect.device, port: thing.connect.port })}.`
            : ''}
        </Text>
      </Box>
    </Panel>
  )
}
