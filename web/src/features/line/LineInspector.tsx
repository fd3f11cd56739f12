import { Flex, Text } from '@chakra-ui/react'
import { useState } from 'react'
import type { House } from '../../api/types'
import { useJob } from '../../layout/JobContext'
import { DraftChoice } from '../../parts/Choice'
import { DraftField } from '../../parts/DraftField'
import { Form, Send } from '../../parts/Form'
import { numberIn } from '../../parts/numberIn'
import { PlainField } from '../../parts/PlainField'
import { Press } from '../../parts/Press'
import { Problem } from '../../parts/Problem'
import { useFormDraft } from '../../parts/useDraft'
import { portName } from '../../parts/words'
import { useSettings } from '../box/useSettings'
import { Panel } from './Panel'
import { lineId } from './useLine'

type Line = NonNullable<House['line']>

const technologies = ['fibre', 'cable', 'dsl', 'fixed-wireless', 'satellite'] as const
const handOffs = [
  { value: 'dhcp', label: 'automatic' },
  { value: 'pppoe', label: 'PPPoE' },
  { value: 'static', label: 'a fixed address' },
] as const

/** The provider's line: where it comes in, what it carries, what the gateway's page showed as its own outside address. */
export function LineInspector() {
  return (
    <Panel id={lineId} title="The provider’s line">
      <LineFields />
    </Panel>
  )
}

export function LineFields() {
  const { house } = useJob()
  const { attempt, orSay } = useSettings()
  const devices = house.document.devices ?? []
  const line = house.document.line
  const sockets = devices.flatMap((box) =>
    (box.ports ?? []).map((port) => {
      const socket = { device: box.id, port: port.id }
      return { value: `${box.id}/${port.id}`, label: `${box.name} ${portName(house, socket)}`, socket }
    }),
  )
  const now = line ? `${line.device}/${line.port}` : ''
  const set = (change: Partial<Line>) => ({ do: 'set-line' as const, line: { ...(line as Line), ...change } })
  const whole = (field: 'downMbps' | 'upMbps' | 'addresses', text: string) => {
    const value = text === '' ? undefined : numberIn(text)
    return value !== undefined && Number.isNaN(value)
      ? Promise.resolve(`“${text}” is no number. Write digits, such as 100.`)
      : attempt([set({ [field]: value })], `line.${field}`)
  }
  return (
    <>
      <Flex gap="12px" wrap="wrap" align="start">
        <DraftChoice
          label="Comes in at"
          width="230px"
          value={now}
          options={[{ value: '', label: 'nowhere' }, ...sockets]}
          commit={(value) => {
            const to = sockets.find((one) => one.value === value)?.socket
            return orSay(to ? set(to) : { do: 'remove-line' })
          }}
        />
        {line && (
          <>
            <DraftChoice
              label="Technology"
              width="140px"
              value={line.technology ?? ''}
              options={[
                { value: '', label: 'not known' },
                ...technologies.map((value) => ({ value, label: value.replace('-', ' ') })),
              ]}
              commit={(value) => orSay(set({ technology: (value || undefined) as Line['technology'] }))}
            />
            <DraftField
              label="Mb/s down"
              width="90px"
              mono
              kind="number"
              value={line.downMbps == null ? '' : String(line.downMbps)}
              commit={(text) => whole('downMbps', text)}
            />
            <DraftField
              label="Mb/s up"
              width="90px"
              mono
              kind="number"
              value={line.upMbps == null ? '' : String(line.upMbps)}
              commit={(text) => whole('upMbps', text)}
            />
            <DraftChoice
              label="Gives its address"
              width="150px"
              value={line.handOff ?? 'dhcp'}
              options={[...handOffs]}
              commit={(handOff) => orSay(set({ handOff }))}
            />
            <DraftChoice
              label="The address is"
              width="190px"
              value={line.addressing ?? 'public'}
              options={[
                { value: 'public', label: 'public' },
                { value: 'shared', label: 'shared among customers' },
              ]}
              commit={(addressing) => orSay(set({ addressing }))}
            />
            <DraftField
              label="Addresses given"
              width="120px"
              mono
              kind="number"
              value={line.addresses == null ? '' : String(line.addresses)}
              placeholder="1"
              commit={(text) => whole('addresses', text)}
            />
            <AddressPair line={line} field="seen" label="Seen at the gateway" />
            {line.handOff === 'static' && <AddressPair line={line} field="agreed" label="Agreed address" />}
          </>
        )}
      </Flex>
      {!line && <Text mt="8px">No line is noted: nothing in this house reaches the internet.</Text>}
    </>
  )
}

/** An address and its gateway, which mean something only together. */
function AddressPair({ line, field, label }: { line: Line; field: 'seen' | 'agreed'; label: string }) {
  const { attempt } = useSettings()
  const now = { address: line[field]?.address ?? '', gateway: line[field]?.gateway ?? '' }
  const { values, set, drop } = useFormDraft(field, now)
  const [problem, setProblem] = useState<string>()
  const put = async (pair: { address: string; gateway: string } | undefined) => {
    const failed = await attempt(
      [{ do: 'set-line', line: { ...line, [field]: pair } }],
      `line.${field}.address`,
      `line.${field}.gateway`,
      `line.${field}`,
    )
    setProblem(failed)
    if (!failed) drop()
  }
  const note = () => {
    const [address, gateway] = [values.address.trim(), values.gateway.trim()]
    if (!address || !gateway) return setProblem('Write both: the address with its prefix, and the gateway.')
    return put({ address, gateway })
  }
  return (
    <Form gap="4px 12px" align="end" onSend={note}>
      <PlainField
        label={label}
        width="180px"
        mono
        placeholder="not looked"
        value={values.address}
        onChange={(address) => set({ address })}
      />
      <PlainField
        label="with the gateway"
        width="166px"
        mono
        kind="address"
        value={values.gateway}
        onChange={(gateway) => set({ gateway })}
      />
      <Send>Note it</Send>
      {now.address && <Press onClick={() => put(undefined)}>Forget it</Press>}
      <Problem fontSize="note" flexBasis="100%">
        {problem}
      </Problem>
    </Form>
  )
}
