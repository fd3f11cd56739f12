import { Flex, Text } from '@chakra-ui/react'
import type { House } from '../../api/types'
import { useJob } from '../../layout/JobContext'
import { usePlace } from '../../layout/usePlace'
import { DraftChoice } from '../../parts/Choice'
import { DraftField } from '../../parts/DraftField'
import { portName } from '../../parts/words'
import { Panel } from './Panel'
import { useSettings } from './useSettings'

type Line = NonNullable<House['line']>

/** What the panel of the line is called in the address; no box has such an id, for it holds a blank. */
const lineId = 'the line'

export function useLine(): [boolean, () => void] {
  const { params, turn } = usePlace()
  const isOpen = params.get('box') === lineId
  return [isOpen, () => turn({ box: isOpen ? null : lineId, tab: null })]
}

const technologies = ['fibre', 'cable', 'dsl', 'fixed-wireless', 'satellite'] as const
const handOffs = [
  { value: 'dhcp', label: 'automatic' },
  { value: 'pppoe', label: 'PPPoE' },
  { value: 'static', label: 'a fixed address' },
] as const

/** The provider's line: where it comes in, what it carries, what the gateway's page showed as its own outside address. */
export function LineInspector() {
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
    const value = text === '' ? undefined : Number(text.replace(',', '.'))
    return value !== undefined && Number.isNaN(value)
      ? Promise.resolve(`“${text}” is no number. Write digits, such as 100.`)
      : attempt([set({ [field]: value })], `line.${field}`)
  }
  const address = (field: 'seen' | 'agreed', part: 'address' | 'gateway', text: string) => {
    const next = { ...(line?.[field] ?? {}), [part]: text || undefined }
    const isEmpty = !next.address && !next.gateway
    return attempt(
      [set({ [field]: isEmpty ? undefined : next })],
      `line.${field}.${part}`,
      `line.${field}`,
      part,
    )
  }
  return (
    <Panel id={lineId} title="The provider’s line">
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
            <DraftField
              label="Seen at the gateway"
              width="180px"
              mono
              value={line.seen?.address ?? ''}
              placeholder="not looked"
              commit={(text) => address('seen', 'address', text)}
            />
            <DraftField
              label="… with the gateway"
              width="156px"
              mono
              kind="address"
              value={line.seen?.gateway ?? ''}
              placeholder="not known"
              commit={(text) => address('seen', 'gateway', text)}
            />
            {line.handOff === 'static' && (
              <>
                <DraftField
                  label="Agreed address"
                  width="180px"
                  mono
                  value={line.agreed?.address ?? ''}
                  commit={(text) => address('agreed', 'address', text)}
                />
                <DraftField
                  label="Agreed gateway"
                  width="156px"
                  mono
                  kind="address"
                  value={line.agreed?.gateway ?? ''}
                  commit={(text) => address('agreed', 'gateway', text)}
                />
              </>
            )}
          </>
        )}
      </Flex>
      {!line && <Text mt="8px">No line is noted: nothing in this house reaches the internet.</Text>}
    </Panel>
  )
}
