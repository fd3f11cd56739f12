import { Box, Checkbox, Heading, Text } from '@chakra-ui/react'
import { useRef, useState } from 'react'
import type { House, Need } from '../../api/types'
import { useJob, useTools } from '../../layout/JobContext'
import { Choice } from '../../parts/Choice'
import { Form, Send } from '../../parts/Form'
import { PlainField } from '../../parts/PlainField'
import { Problem } from '../../parts/Problem'
import { Protocol, type Transport } from '../../parts/Protocol'
import { roomWords } from '../../parts/roomWords'
import { useFormDraft } from '../../parts/useDraft'
import { wordsOf } from '../../parts/wordsOf'
import { fillIn, type Kind } from './fillIn'

/** Each begins with a letter of its own as far as it goes: a key chooses it. */
const kinds: { value: Kind; label: string }[] = [
  { value: 'internet', label: 'has internet' },
  { value: 'reach', label: 'reaches another' },
  { value: 'single-nat', label: 'is translated once at most' },
  { value: 'fixed-address', label: 'keeps its address' },
  { value: 'inbound', label: 'can be reached from outside' },
  { value: 'one-name', label: 'one Wi-Fi name everywhere' },
  { value: 'own-names', label: 'a Wi-Fi name of its own for each box' },
  { value: 'tunnel', label: 'tunnel for work uses …' },
  { value: 'guests-apart', label: 'guests on … are kept apart' },
  { value: 'keep-name', label: 'Wi-Fi name … and its password stay' },
  { value: 'main-router', label: 'router: … is the one that everybody goes through' },
  { value: 'sockets', label: 'free sockets in …' },
  { value: 'dns', label: 'DNS: names are asked of …' },
  { value: 'speed', label: 'speed: at least … Mb/s in or for …' },
  { value: 'coverage', label: 'every room: at least … Mb/s over Wi-Fi' },
]

/** Every room that somebody has named, then every thing. */
function placesOf(document: House): { value: string; label: string }[] {
  const things = document.endpoints ?? []
  const listed = document.rooms ?? []
  const nameOf = (word: string) => listed.find((room) => room.id === word)?.name ?? word
  const named = roomWords(document.devices, things).map(nameOf)
  return [
    ...[...new Set([...listed.map((room) => room.name), ...named])]
      .sort()
      .map((room) => ({ value: `room ${room}`, label: `in ${room}` })),
    ...things.map((thing) => ({ value: `thing ${thing.id}`, label: `for ${thing.name}` })),
  ]
}

const blank = {
  from: '',
  to: '',
  discovery: false,
  nice: false,
  servers: '',
  protocol: 'tcp' as Transport,
  port: '',
  prefix: '10.0.0.0/8',
  network: '',
  room: '',
  count: '1',
  mbps: '50',
  place: '',
  device: '',
}

/** The same want, whatever it is called and however much it is wished. */
const bare = ({ id: _, nice: __, ...need }: Need) => JSON.stringify(Object.entries(need).sort())

/** A sentence with blanks, filled in and added. What the server refuses stays as typed. */
export function NewWant() {
  const { house } = useJob()
  const { act } = useTools()
  const things = (house.document.endpoints ?? []).map((e) => ({ value: e.id, label: e.name }))
  const { values, set, drop } = useFormDraft('want', blank)
  const [kind, setKind] = useState<Kind>('internet')
  const { from, to, discovery, nice, servers, protocol, port, prefix, network, room, count, mbps, place } =
    values
  const [problem, setProblem] = useState<string>()
  const form = useRef<HTMLDivElement>(null)

  const one = from || things[0]?.value || ''
  const other = to || things.find((thing) => thing.value !== one)?.value || ''
  const networks = [
    ...new Map(
      (house.document.devices ?? [])
        .flatMap((box) => box.wifi ?? [])
        .filter((one) => kind !== 'guests-apart' || one.guest)
        .map((one) => [one.ssid, one]),
    ).values(),
  ]
  const named = networks.find((one) => one.ssid === network) ?? networks[0]
  const needsName = kind === 'guests-apart' || kind === 'keep-name'
  const places = placesOf(house.document)
  const routers = (house.document.devices ?? []).filter((box) => wordsOf(house, box.id)?.mayRoute)
  const needsThing = ['internet', 'reach', 'fixed-address', 'inbound'].includes(kind)

  const canAdd =
    !(needsThing && things.length === 0) &&
    !(needsName && !named) &&
    !(kind === 'speed' && places.length === 0) &&
    !(kind === 'main-router' && routers.length === 0)

  const add = async () => {
    const taken = new Set((house.document.needs ?? []).map((need) => need.id))
    let n = taken.size + 1
    while (taken.has(`n${n}`)) n++
    const need = fillIn(kind, {
      id: `n${n}`,
      one: kind === 'dns' ? from : one,
      other,
      discovery,
      protocol,
      port,
      prefix,
      network: named,
      servers,
      room,
      count,
      mbps,
      place: place || places[0]?.value || '',
      device: values.device || routers[0]?.id || '',
    })
    if (typeof need === 'string') return setProblem(need)
    if ((house.document.needs ?? []).some((other) => bare(other) === bare(need)))
      return setProblem('That want is on the list already.')
    if (nice) need.nice = true
    const failed = await act([{ do: 'set-need', need }])
    setProblem(failed?.message)
    if (failed) return
    drop()
    // The next one begins where this one began.
    form.current?.querySelector('select')?.focus()
  }

  return (
    <Box as="section" mt="24px" aria-label="Add a want" ref={form}>
      <Heading as="h3" fontSize="section" mb="8px">
        Add a want
      </Heading>
      <Form gap="10px" align="end" onSend={add}>
        <Choice label="Sentence" width="260px" value={kind} options={kinds} onChange={setKind} />
        {needsThing && <Choice label="Who" value={one} options={things} onChange={(from) => set({ from })} />}
        {kind === 'reach' && (
          <Choice label="Whom" value={other} options={things} onChange={(to) => set({ to })} />
        )}
        {(kind === 'reach' || kind === 'inbound') && (
          <>
            <Protocol value={protocol} onChange={(protocol) => set({ protocol })} />
            <PlainField
              label={kind === 'reach' ? 'Port, if it matters' : 'Port'}
              width="130px"
              value={port}
              onChange={(port) => set({ port })}
            />
          </>
        )}
        {needsName && named && (
          <Choice
            label="Wi-Fi name"
            value={named.ssid}
            options={networks.map((one) => ({ value: one.ssid, label: one.ssid }))}
            onChange={(network) => set({ network })}
          />
        )}
        {kind === 'main-router' && (
          <Choice
            label="Which box"
            value={values.device || routers[0]?.id || ''}
            options={routers.map((box) => ({ value: box.id, label: box.name }))}
            onChange={(device) => set({ device })}
          />
        )}
        {kind === 'sockets' && (
          <>
            <PlainField label="How many" width="90px" value={count} onChange={(count) => set({ count })} />
            <PlainField label="Room" width="150px" value={room} onChange={(room) => set({ room })} />
          </>
        )}
        {kind === 'coverage' && (
          <PlainField label="Mb/s at least" width="110px" value={mbps} onChange={(mbps) => set({ mbps })} />
        )}
        {kind === 'speed' && (
          <>
            <PlainField label="Mb/s at least" width="110px" value={mbps} onChange={(mbps) => set({ mbps })} />
            <Choice
              label="Where"
              width="210px"
              value={place || places[0]?.value || ''}
              options={places}
              onChange={(place) => set({ place })}
            />
          </>
        )}
        {kind === 'dns' && (
          <>
            <Choice
              label="Who"
              value={from}
              options={[{ value: '', label: 'everything' }, ...things]}
              onChange={(from) => set({ from })}
            />
            <PlainField
              label="Name servers"
              width="230px"
              value={servers}
              onChange={(servers) => set({ servers })}
            />
          </>
        )}
        {kind === 'tunnel' && (
          <PlainField label="Prefix" value={prefix} onChange={(prefix) => set({ prefix })} />
        )}
        {kind === 'reach' && (
          <Checkbox.Root
            checked={discovery}
            onCheckedChange={(change) => set({ discovery: change.checked === true })}
            minH="field"
          >
            <Checkbox.HiddenInput />
            <Checkbox.Control borderColor="quiet" />
            <Checkbox.Label fontWeight="400">found by name too</Checkbox.Label>
          </Checkbox.Root>
        )}
        <Checkbox.Root
          checked={nice}
          onCheckedChange={(change) => set({ nice: change.checked === true })}
          minH="field"
        >
          <Checkbox.HiddenInput />
          <Checkbox.Control borderColor="quiet" />
          <Checkbox.Label fontWeight="400">if it can be had</Checkbox.Label>
        </Checkbox.Root>
        <Send kind="main" disabled={!canAdd}>
          Add it
        </Send>
      </Form>
      {(needsThing || kind === 'speed') && (kind === 'speed' ? places : things).length === 0 && (
        <Text mt="6px" fontSize="small" color="quiet">
          There is no device to speak of yet: add one on the Stairs.
        </Text>
      )}
      {needsName && !named && (
        <Text mt="6px" fontSize="small" color="quiet">
          {kind === 'guests-apart' ? 'No box has a guest network yet' : 'No box makes Wi-Fi yet'}: set one on
          the Stairs.
        </Text>
      )}
      <Problem mt="6px">{problem}</Problem>
    </Box>
  )
}
