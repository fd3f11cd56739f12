import { Box, Flex, Text } from '@chakra-ui/react'
import { useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import { Link } from 'react-router'
import { kitShelf } from '../../api/queries'
import type { Device } from '../../api/types'
import { PoolField } from '../../features/address/PoolField'
import { completeMac } from '../../features/box/newBox'
import { useSeenMacs } from '../../features/box/useSeenMacs'
import { useSettings } from '../../features/box/useSettings'
import { KeepKind } from '../../features/kind/KeepKind'
import { KindWords } from '../../features/kind/KindWords'
import { kindOptions } from '../../features/kind/kindOptions'
import { useJob } from '../../layout/JobContext'
import { DraftChoice } from '../../parts/Choice'
import { DraftField } from '../../parts/DraftField'
import { Secret } from '../../parts/Secret'
import { Toggle } from '../../parts/Toggle'
import { Photos } from './Photos'

/** What a label says beside the MAC, as it stands there. */
const labelFields = [
  {
    field: 'defaultAddress',
    label: 'Address on the label',
    width: '170px',
    kind: 'address',
    placeholder: '192.168.1.1',
  },
  { field: 'pageName', label: 'Name of its page', width: '130px', kind: 'name', placeholder: 'setup.lan' },
  { field: 'defaultUser', label: 'User', width: '100px', kind: 'name', placeholder: 'admin' },
  { field: 'resetHoldSeconds', label: 'Hold reset, s', width: '100px', kind: 'number', placeholder: '10' },
  { field: 'rebootSeconds', label: 'Comes back in, s', width: '110px', kind: 'number', placeholder: '90' },
] as const

/** A box by its label: read off once, with everything an order will need. */
export function BoxStop({ id }: { id: string }) {
  const { job, house } = useJob()
  const { attempt, orSay } = useSettings()
  const { data: kinds = [] } = useQuery(kitShelf)
  const [isKeeping, setKeeping] = useState(false)
  const seenMacs = useSeenMacs()
  const box = (house.document.devices ?? []).find((one) => one.id === id)
  if (!box) return <Text>This box is not in the house any more.</Text>
  const rooms = (house.document.rooms ?? []).map((room) => room.name)
  const describe = (change: Partial<Device>, ...fields: string[]) =>
    attempt([{ do: 'describe-device', box: { ...box, ...change } }], ...fields.map((field) => `box.${field}`))
  const label = (field: (typeof labelFields)[number]['field'], text: string, isWhole: boolean) =>
    isWhole && text !== '' && !Number.isInteger(Number(text))
      ? Promise.resolve(`“${text}” is no whole number. Write seconds, such as 10.`)
      : describe(
          { label: { ...box.label, [field]: text === '' ? undefined : isWhole ? Number(text) : text } },
          `label.${field}`,
        )
  const kind = kinds.find((one) => one.kit === box.kit)
  return (
    <Box>
      <Text textStyle="small" color="quiet" mb="10px">
        Turn it over and read its label: the address of its page, the user, the MAC. A box with a past may be
        set otherwise.
      </Text>
      <Flex gap="10px 12px" wrap="wrap" align="start">
        <DraftField
          label="Name"
          value={box.name}
          commit={(name) => attempt([{ do: 'rename', id, name }], 'name')}
        />
        <DraftField
          label="Stands in"
          width="140px"
          value={box.room ?? ''}
          placeholder={rooms[0] ?? 'hall'}
          commit={(room) => describe({ room: room || undefined }, 'room')}
        />
        <DraftChoice
          label="Kind on the shelf"
          width="260px"
          value={box.kit ?? ''}
          options={[{ value: '', label: 'not said' }, ...kindOptions(kinds.filter((one) => one.sold))]}
          commit={(kit) => orSay({ do: 'describe-device', box: { ...box, kit: kit || undefined } })}
        />
        <DraftField
          label="MAC on the label"
          width="200px"
          mono
          kind="name"
          value={box.mac ?? ''}
          placeholder="00:00:5E:00:53:01"
          hint={
            seenMacs.length > 0 && !box.mac
              ? 'Its last digits are enough: the list has the others.'
              : undefined
          }
          commit={(mac) => describe({ mac: completeMac(mac, seenMacs) || undefined }, 'mac')}
        />
        <PoolField box={box} />
        {labelFields.map(({ field, ...look }) => (
          <DraftField
            key={field}
            {...look}
            mono
            value={box.label?.[field]?.toString() ?? ''}
            commit={(text) => label(field, text, look.kind === 'number')}
          />
        ))}
        {(['hardware', 'firmware'] as const).map((field) => (
          <DraftField
            key={field}
            label={field === 'hardware' ? 'Hardware' : 'Firmware'}
            width="120px"
            mono
            value={box[field] ?? ''}
            commit={(text) => describe({ [field]: text || undefined }, field)}
          />
        ))}
      </Flex>
      <Flex gap="4px 18px" wrap="wrap" mt="10px">
        <Toggle
          label="Password as sold"
          on={box.defaultPassword === true}
          set={(on) => orSay({ do: 'describe-device', box: { ...box, defaultPassword: on } })}
        />
        <Toggle
          label="Leave it alone"
          on={box.leaveAsFound === true}
          set={(on) => orSay({ do: 'describe-device', box: { ...box, leaveAsFound: on || undefined } })}
        />
        <Toggle
          label="It must be used"
          on={box.mustUse === true}
          set={(on) => orSay({ do: 'describe-device', box: { ...box, mustUse: on || undefined } })}
        />
        <Toggle
          label="It has been used before"
          on={box.usedBefore === true}
          set={(on) => orSay({ do: 'describe-device', box: { ...box, usedBefore: on || undefined } })}
        />
        <Toggle
          label="As access point it asks for its address"
          on={box.label?.asksWhenBridged === true}
          set={(on) =>
            orSay({
              do: 'describe-device',
              box: { ...box, label: { ...box.label, asksWhenBridged: on || undefined } },
            })
          }
        />
        {box.ports?.some((port) => port.poeNeeds) && (
          <Toggle
            label="Its injector is here"
            on={box.injector === true}
            set={(on) => orSay({ do: 'describe-device', box: { ...box, injector: on || undefined } })}
          />
        )}
      </Flex>
      <DraftField
        label="Rooms it was brought for"
        width="260px"
        value={(box.serves ?? []).join(', ')}
        commit={(text) =>
          describe({
            serves: text
              .split(',')
              .map((room) => room.trim())
              .filter(Boolean),
          })
        }
      />
      <Box mt="6px">
        <Secret name={`admin of ${id}`} label="Admin password" />
      </Box>
      <Photos box={box} />
      {kind && <KindWords kind={kind} />}
      <Flex gap="4px 16px" wrap="wrap" mt="8px" align="center">
        <Link to={`/job/${job.id}/stairs?box=${encodeURIComponent(id)}`} className="textlink">
          Its settings and sockets, on the Stairs
        </Link>
        <KeepKind box={box} open={isKeeping} setOpen={setKeeping} />
      </Flex>
    </Box>
  )
}
