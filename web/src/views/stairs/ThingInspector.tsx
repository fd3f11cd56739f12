import { Box, Flex, Text } from '@chakra-ui/react'
import { useQuery } from '@tanstack/react-query'
import { joinOf, plugOf } from '../../api/attachment'
import { trace as traceQuery } from '../../api/queries'
import type { Action, Endpoint } from '../../api/types'
import { inSubnetOf } from '../../features/address/addressWords'
import { connections } from '../../features/box/connections'
import { useSettings } from '../../features/box/useSettings'
import { Panel } from '../../features/line/Panel'
import { useJob, useTools } from '../../layout/JobContext'
import { AddressText } from '../../parts/AddressText'
import { DraftChoice } from '../../parts/Choice'
import { CopyButton } from '../../parts/CopyButton'
import { DraftField } from '../../parts/DraftField'
import { Press } from '../../parts/Press'
import { socketName } from '../../parts/words'
import { useHand } from '../../state/hand'
import { useMarks } from '../../state/marks'
import { useTraced } from '../../state/trace'
import { AddressField } from './AddressField'
import { knownNetworks } from './knownNetworks'
import { TraceList } from './TraceList'

/** A thing that uses the network: where it is plugged, how it is addressed, its way to the street. */
export function ThingInspector({ thing }: { thing: Endpoint }) {
  const { house, job, side } = useJob()
  const { select } = useTools()
  const { traced, trace } = useTraced()
  const followed = useQuery({
    ...traceQuery(job.id, side, job.version, thing.id),
    enabled: traced === thing.id,
  })
  const { remember } = useHand()
  const mark = useMarks((store) => store.toggle)
  const net = house.interfaces.find((one) => one.owner === thing.id && one.interface === 'net')
  const words = house.things.find((one) => one.id === thing.id)
  const way = house.internet.find((one) => one.from === thing.id)
  const address = thing.address
  const isStatic = address?.method === 'static'
  const now = net?.candidates[0]?.address?.split('/')[0]

  const settings = useSettings()
  const { orSay } = settings
  const attempt = (action: Action, ...fields: string[]) => settings.attempt([action], ...fields)
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
  const options = connections(house, thing)
  const current = options.find((option) => option.isCurrent)?.value ?? 'none'

  const knowable = knownNetworks(house.document, thing)
  const [plugged, joined] = [plugOf(thing), joinOf(thing)]
  return (
    <Panel
      id={thing.id}
      title={thing.name}
      actions={
        <>
          <Press
            kind="plain"
            aria-pressed={traced === thing.id}
            onClick={() => trace(traced === thing.id ? null : thing.id)}
          >
            {traced === thing.id ? 'hide its way' : 'trace its way'}
          </Press>
          <Press
            kind="plain"
            title="Then press others to mark them too"
            onClick={() => {
              mark(thing.id)
              select(null)
            }}
          >
            mark several
          </Press>
          <Press
            kind="plain"
            onClick={() =>
              orSay({ do: 'remove-endpoint', endpoint: thing.id }).then((done) => done && select(null))
            }
          >
            remove
          </Press>
        </>
      }
    >
      <Flex gap="12px" wrap="wrap" align="start">
        <DraftField
          label="Name"
          value={thing.name}
          commit={(name) => attempt({ do: 'rename', id: thing.id, name }, 'name')}
        />
        <DraftChoice
          label="Where"
          width="230px"
          value={current}
          options={options}
          commit={(value) => {
            const chosen = options.find((option) => option.value === value)
            orSay(
              chosen?.to
                ? { do: 'connect-endpoint', endpoint: thing.id, to: chosen.to }
                : { do: 'unplug-endpoint', endpoint: thing.id },
            )
          }}
        />
        {joined && (
          <DraftChoice
            label="Hears best"
            width="180px"
            value={joined.near ?? ''}
            options={[
              { value: '', label: 'whichever' },
              ...(house.document.devices ?? [])
                .filter((box) => (box.wifi ?? []).some((network) => network.enabled !== false))
                .map((box) => ({ value: box.id, label: box.name })),
            ]}
            commit={(near) => {
              const { near: _, ...to } = joined
              orSay({ do: 'connect-endpoint', endpoint: thing.id, to: near ? { ...to, near } : to })
            }}
          />
        )}
        {joined && knowable.length > 1 && (
          <DraftChoice
            label="Also knows"
            width="180px"
            value={knowable.find((one) => one.isCurrent)?.value ?? ''}
            options={knowable}
            commit={(value) => {
              const { knows: _, ...rest } = thing
              const knows = knowable.find((one) => one.value === value)?.network
              orSay({ do: 'describe-endpoint', thing: knows ? { ...rest, knows } : rest })
            }}
          />
        )}
        <DraftChoice
          label="Addressing"
          width="130px"
          value={isStatic ? 'static' : 'dhcp'}
          options={[
            { value: 'dhcp', label: 'automatic' },
            { value: 'static', label: 'fixed' },
          ]}
          commit={(method) => {
            if (method === 'dhcp')
              orSay({ do: 'set-endpoint-address', endpoint: thing.id, address: { method: 'dhcp' } })
            else {
              const gateway = net?.candidates[0]?.gateway ?? undefined
              fix({ address: words?.fixedAddress, gateway: gateway ?? '' })
            }
          }}
        />
        {isStatic && (
          <>
            <AddressField
              owner={thing.id}
              label="Fixed address"
              width="190px"
              mono
              value={address?.address ?? ''}
              commit={(text) => fix({ address: inSubnetOf(address?.address, text) })}
            />
            <DraftField
              label="Gateway"
              mono
              value={address?.gateway ?? ''}
              placeholder="none"
              commit={(text) => fix({ gateway: inSubnetOf(address?.address, text) })}
            />
          </>
        )}
      </Flex>
      <Box mt="8px" fontSize="small">
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
            : `It reaches the internet${way?.reachable === 'sometimes' ? ' now and then' : ''}.`}
          {plugged ? ` Plugged into ${socketName(house, plugged)}.` : ''}
        </Text>
        {traced === thing.id && followed.data && <TraceList trace={followed.data} house={house} />}
      </Box>
    </Panel>
  )
}
