import { Box, Checkbox, Flex, Heading, Text } from '@chakra-ui/react'
import { useState } from 'react'
import type { House } from '../../api/types'
import { useJob, useTools } from '../../layout/JobContext'
import { Choice } from '../../parts/Choice'
import { PlainField } from '../../parts/PlainField'
import { Press } from '../../parts/Press'
import { fillIn, type Kind } from './fillIn'

const kinds: { value: Kind; label: string }[] = [
  { value: 'internet', label: '… has internet' },
  { value: 'reach', label: '… reaches …' },
  { value: 'single-nat', label: '… is translated once at most' },
  { value: 'fixed-address', label: '… keeps its address' },
  { value: 'inbound', label: '… can be reached from outside' },
  { value: 'one-name', label: 'One Wi-Fi name everywhere' },
  { value: 'own-names', label: 'A Wi-Fi name of its own for each box' },
  { value: 'tunnel', label: 'A work tunnel uses …' },
  { value: 'guests-apart', label: 'Guests on … are kept apart' },
  { value: 'keep-name', label: 'The Wi-Fi name … and its password stay' },
  { value: 'sockets', label: '… free sockets in …' },
  { value: 'dns', label: 'Names are asked of …' },
  { value: 'speed', label: 'At least … Mb/s in or for …' },
]

/** Every room that somebody has named, then every thing. */
function placesOf(document: House): { value: string; label: string }[] {
  const things = document.endpoints ?? []
  const named = [...(document.devices ?? []), ...things].flatMap((one) => (one.room ? [one.room] : []))
  return [
    ...[...new Set(named)].sort().map((room) => ({ value: `room ${room}`, label: `in ${room}` })),
    ...things.map((thing) => ({ value: `thing ${thing.id}`, label: `for ${thing.name}` })),
  ]
}

/** A sentence with blanks, filled in and added. What the server refuses stays as typed. */
export function NewWant() {
  const { house } = useJob()
  const { act } = useTools()
  const things = (house.document.endpoints ?? []).map((e) => ({ value: e.id, label: e.name }))
  const [kind, setKind] = useState<Kind>('internet')
  const [from, setFrom] = useState('')
  const [to, setTo] = useState('')
  const [discovery, setDiscovery] = useState(false)
  const [nice, setNice] = useState(false)
  const [servers, setServers] = useState('')
  const [protocol, setProtocol] = useState<'tcp' | 'udp'>('tcp')
  const [port, setPort] = useState('')
  const [prefix, setPrefix] = useState('10.0.0.0/8')
  const [network, setNetwork] = useState('')
  const [room, setRoom] = useState('')
  const [count, setCount] = useState('1')
  const [mbps, setMbps] = useState('50')
  const [place, setPlace] = useState('')
  const [problem, setProblem] = useState<string>()

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
  const needsThing = ['internet', 'reach', 'fixed-address', 'inbound'].includes(kind)

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
    })
    if (typeof need === 'string') return setProblem(need)
    if (nice) need.nice = true
    const failed = await act([{ do: 'set-need', need }])
    setProblem(failed?.message)
    if (!failed) setPort('')
  }

  return (
    <Box as="section" mt="24px" aria-label="Add a want">
      <Heading as="h3" fontSize="16px" mb="8px">
        Add a want
      </Heading>
      <Flex gap="10px" wrap="wrap" align="end">
        <Choice label="Sentence" width="260px" value={kind} options={kinds} onChange={setKind} />
        {needsThing && <Choice label="Who" value={one} options={things} onChange={setFrom} />}
        {kind === 'reach' && <Choice label="Whom" value={other} options={things} onChange={setTo} />}
        {(kind === 'reach' || kind === 'inbound') && (
          <>
            <Choice
              label="Protocol"
              width="84px"
              value={protocol}
              options={[
                { value: 'tcp', label: 'tcp' },
                { value: 'udp', label: 'udp' },
              ]}
              onChange={setProtocol}
            />
            <PlainField
              label={kind === 'reach' ? 'Port, if it matters' : 'Port'}
              width="130px"
              value={port}
              onChange={setPort}
            />
          </>
        )}
        {needsName && named && (
          <Choice
            label="Wi-Fi name"
            value={named.ssid}
            options={networks.map((one) => ({ value: one.ssid, label: one.ssid }))}
            onChange={setNetwork}
          />
        )}
        {kind === 'sockets' && (
          <>
            <PlainField label="How many" width="90px" value={count} onChange={setCount} />
            <PlainField label="Room" width="150px" value={room} onChange={setRoom} />
          </>
        )}
        {kind === 'speed' && (
          <>
            <PlainField label="Mb/s at least" width="110px" value={mbps} onChange={setMbps} />
            <Choice
              label="Where"
              width="210px"
              value={place || places[0]?.value || ''}
              options={places}
              onChange={setPlace}
            />
          </>
        )}
        {kind === 'dns' && (
          <>
            <Choice
              label="Who"
              value={from}
              options={[{ value: '', label: 'everything' }, ...things]}
              onChange={setFrom}
            />
            <PlainField label="Name servers" width="230px" value={servers} onChange={setServers} />
          </>
        )}
        {kind === 'tunnel' && <PlainField label="Prefix" value={prefix} onChange={setPrefix} />}
        {kind === 'reach' && (
          <Checkbox.Root
            checked={discovery}
            onCheckedChange={(change) => setDiscovery(change.checked === true)}
            minH="30px"
          >
            <Checkbox.HiddenInput />
            <Checkbox.Control borderColor="quiet" />
            <Checkbox.Label fontWeight="400">found by name too</Checkbox.Label>
          </Checkbox.Root>
        )}
        <Checkbox.Root
          checked={nice}
          onCheckedChange={(change) => setNice(change.checked === true)}
          minH="30px"
        >
          <Checkbox.HiddenInput />
          <Checkbox.Control borderColor="quiet" />
          <Checkbox.Label fontWeight="400">if it can be had</Checkbox.Label>
        </Checkbox.Root>
        <Press
          kind="main"
          disabled={
            (needsThing && things.length === 0) ||
            (needsName && !named) ||
            (kind === 'speed' && places.length === 0)
          }
          onClick={add}
        >
          Add it
        </Press>
      </Flex>
      {(needsThing || kind === 'speed') && (kind === 'speed' ? places : things).length === 0 && (
        <Text mt="6px" fontSize="14px" color="quiet">
          There is no device to speak of yet: add one on the Stairs.
        </Text>
      )}
      {needsName && !named && (
        <Text mt="6px" fontSize="14px" color="quiet">
          {kind === 'guests-apart' ? 'No box has a guest network yet' : 'No box makes Wi-Fi yet'}: set one on
          the Stairs.
        </Text>
      )}
      {problem && (
        <Text role="alert" color="brick" mt="6px">
          {problem}
        </Text>
      )}
    </Box>
  )
}
