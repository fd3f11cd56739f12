import { Box, Heading, Text } from '@chakra-ui/react'
import { useQuery, useQueryClient } from '@tanstack/react-query'
import { useEffect, useRef, useState } from 'react'
import { kitShelf } from '../../api/queries'
import type { Action, Device, KitView } from '../../api/types'
import { useJob, useTools } from '../../layout/JobContext'
import { useStageTools } from '../../layout/stageTools'
import { describing } from '../../layout/useDescribe'
import { Choice } from '../../parts/Choice'
import { Form, Send } from '../../parts/Form'
import { cardOf, focusOn } from '../../parts/focusOn'
import { numberIn } from '../../parts/numberIn'
import { PlainField } from '../../parts/PlainField'
import { Press } from '../../parts/Press'
import { Problem } from '../../parts/Problem'
import { useFormDraft } from '../../parts/useDraft'
import { poolEnds } from '../address/addressWords'
import { namedAs } from '../box/newBox'
import { kindOptions } from '../kind/kindOptions'
import { takeFromShelf } from '../kind/takeFromShelf'

const blank = {
  room: '',
  kit: '',
  sockets: '',
  address: '',
  pool: '',
  technology: '',
  down: '',
  up: '',
  ssid: '',
  country: undefined as string | undefined,
}

/** The socket of a kind that the line goes into: its line socket, or the WAN of a plain router. */
const lineSocketOf = (kind: KitView) => kind.sold?.ports?.find((port) => port.role === 'wan')

/** What may stand at a line: a gateway or a modem, or a plain router where the provider’s own box is none of the house’s. */
const mayStandAtLine = (kind: KitView) =>
  kind.sold && (kind.group === 'gateway' || (kind.group === 'router' && lineSocketOf(kind)))

/** The box at the line as much of it as is known: what the carton held, less what nobody has looked at yet. */
function gatewayOf(kind: KitView, values: typeof blank, sockets: number): Action[] {
  const sold = kind.sold
  const line = lineSocketOf(kind)
  const lans = (sold?.ports ?? []).filter((port) => port.role === 'lan')
  const server = sold?.lan?.dhcpServer
  const ssid = values.ssid.trim()
  return takeFromShelf(
    kind,
    {
      id: 'gateway',
      name: kind.group === 'gateway' ? 'ISP gateway' : 'Main router',
      room: values.room.trim() || undefined,
      address: values.address.trim() || undefined,
    },
    {
      ports: [
        ...(line ? [line] : []),
        ...Array.from({ length: sockets }, (_, i) =>
          lans[i]
            ? { ...lans[i], printed: sockets > 1 ? `LAN ${i + 1}` : 'LAN' }
            : { id: `lan${i + 1}`, role: 'lan' as const },
        ),
      ],
      lan:
        server && sold.lan
          ? { ...sold.lan, dhcpServer: { ...server, start: undefined, end: undefined } }
          : sold?.lan,
      wifi: ssid && sold ? namedAs(sold as Device, ssid) : [],
      defaultPassword: undefined,
    },
  )
}

/** An empty house: what is asked in one look before anything can be said of it. What is left empty is taken as boxes are usually sold, and said so. */
export function BeginHouse({ isPart }: { isPart?: boolean }) {
  // A job that has just begun goes on here; on a phone no keyboard jumps up before it is asked for.
  const form = useRef<HTMLDivElement>(null)
  useEffect(() => {
    if (document.activeElement === document.body && !matchMedia('(pointer: coarse)').matches)
      form.current?.querySelector('input')?.focus()
  }, [])
  const { house } = useJob()
  const { showPaste } = useStageTools()
  const { act } = useTools()
  const { values, set, drop } = useFormDraft('begin', blank)
  const queries = useQueryClient()
  const { data: kinds = [] } = useQuery(kitShelf)
  const [problem, setProblem] = useState<string>()
  const isChosen = (one: KitView) => (values.kit ? one.kit === values.kit : one.isUsualAtLine)
  const kind = kinds.find(isChosen)
  const isModem = kind?.sold !== undefined && !kind.sold?.lan
  const printed = (kind?.sold?.ports ?? []).filter((port) => port.role === 'lan').length || 4

  const begin = async () => {
    const count = values.sockets.trim() === '' ? printed : Number(values.sockets)
    if (!Number.isInteger(count) || count < 1 || count > 48)
      return setProblem(
        `Sockets: “${values.sockets}” is no number of sockets. Count those for the house: 1 to 48.`,
      )
    const country = (values.country ?? house.document.country ?? '').trim().toUpperCase()
    if (country && !/^[A-Z]{2}$/.test(country))
      return setProblem(
        `Country: “${values.country}” is no country. Write two letters, such as GB, or leave it empty.`,
      )
    const rates: { downMbps?: number; upMbps?: number } = {}
    for (const [field, word] of [
      ['downMbps', values.down],
      ['upMbps', values.up],
    ] as const) {
      if (word.trim() === '') continue
      const mbps = numberIn(word)
      if (!(mbps > 0))
        return setProblem(`Measured rate: “${word}” is no rate. Write Mb/s, such as 330, or leave it empty.`)
      rates[field] = mbps
    }
    // Quick fingers may be here before the shelf is.
    const found = kind ?? (await queries.ensureQueryData(kitShelf).catch(() => [])).find(isChosen)
    if (!found) return setProblem('Altrin does not answer yet. Nothing you typed is lost: try again.')
    const ends =
      values.pool.trim() === '' ? {} : poolEnds(values.pool, values.address || found.sold?.lan?.address)
    if (!ends)
      return setProblem(
        `It gives out: “${values.pool}” is no pool. Write its first and its last address, such as .100 to .199, or leave it empty.`,
      )
    const actions: Action[] = [
      ...gatewayOf(found, values, count),
      ...(ends.start || ends.end ? [{ do: 'move-pool' as const, device: 'gateway', ...ends }] : []),
      {
        do: 'set-line',
        line: {
          device: 'gateway',
          port: lineSocketOf(found)?.id ?? 'line',
          ...(values.technology ? { technology: values.technology as 'fibre' } : {}),
          ...rates,
        },
      },
      ...(country !== (house.document.country ?? '')
        ? [describing(house.document, { country: country || undefined })]
        : []),
    ]
    const failed = await act(actions, 'Begin with the box at the line')
    setProblem(failed?.message)
    if (failed) return
    drop()
    focusOn(isPart ? '[data-next]' : cardOf('gateway'))
  }

  return (
    <Box
      ref={form}
      px={isPart ? 0 : { base: '16px', md: '24px' }}
      py={isPart ? 0 : '20px'}
      maxW="640px"
      mb={isPart ? '14px' : 0}
    >
      <Heading as={isPart ? 'h3' : 'h2'} textStyle={isPart ? 'section' : 'stage'} mb="4px">
        {house.document.line ? 'A line, and no box at it' : 'An empty house'}
      </Heading>
      <Text color="quiet" mb="14px">
        There is no gateway yet, so nothing can be said of it. Begin where the provider’s line comes in
        {isPart
          ? ', or below, with what the laptop shows: its gateway begins the house.'
          : ', or with what a laptop that is plugged in there shows: its gateway begins the house.'}
      </Text>
      {!isPart && (
        <Box mb="14px">
          <Press onClick={showPaste}>Paste what the laptop shows</Press>
        </Box>
      )}
      <Form gap="10px 12px" align="start" onSend={begin}>
        <PlainField
          label="In which room does the line come in?"
          width="100%"
          value={values.room}
          onChange={(room) => set({ room })}
        />
        <Choice
          label="What kind of box stands there?"
          width="100%"
          value={kind?.kit ?? ''}
          options={kindOptions(kinds.filter(mayStandAtLine)).map(({ group: _, ...one }) => one)}
          onChange={(kit) => set({ kit })}
        />
        <PlainField
          label="How many sockets for the house?"
          width="220px"
          kind="number"
          value={values.sockets}
          placeholder={String(printed)}
          onChange={(sockets) => set({ sockets })}
        />
        <Choice
          label="What line is it?"
          width="180px"
          value={values.technology}
          options={[
            { value: '', label: 'not known yet' },
            { value: 'fibre', label: 'fibre' },
            { value: 'cable', label: 'cable' },
            { value: 'dsl', label: 'dsl' },
            { value: 'fixed-wireless', label: 'fixed wireless' },
            { value: 'satellite', label: 'satellite' },
          ]}
          onChange={(technology) => set({ technology })}
        />
        <PlainField
          label="Mb/s down, measured"
          width="150px"
          kind="number"
          value={values.down}
          onChange={(down) => set({ down })}
        />
        <PlainField
          label="Mb/s up"
          width="100px"
          kind="number"
          value={values.up}
          onChange={(up) => set({ up })}
        />
        <PlainField
          label="Country, two letters"
          width="150px"
          value={values.country ?? house.document.country ?? ''}
          hint={house.document.country ? 'As in your last job.' : 'It decides which channels are lawful.'}
          onChange={(to) => set({ country: to })}
        />
        {!isModem && (
          <PlainField
            label="Address on its label, if you see it"
            width="240px"
            mono
            placeholder={kind?.sold?.label?.defaultAddress ?? '192.168.1.1'}
            hint={`Empty: ${kind?.sold?.label?.defaultAddress ?? 'as sold'} until somebody looks.`}
            value={values.address}
            onChange={(address) => set({ address })}
          />
        )}
        {!isModem && (
          <PlainField
            label="It gives out, if you see it"
            width="240px"
            mono
            placeholder=".100 to .199"
            hint="First and last, or one of the two."
            value={values.pool}
            onChange={(pool) => set({ pool })}
          />
        )}
        {!isModem && (
          <PlainField
            label="Its Wi-Fi name, if it makes Wi-Fi"
            width="240px"
            mono
            value={values.ssid}
            onChange={(ssid) => set({ ssid })}
          />
        )}
        <Box flexBasis="100%">
          <Problem mt="10px">{problem}</Problem>
          <Send kind="main" mt="4px">
            Begin here
          </Send>
        </Box>
      </Form>
    </Box>
  )
}
