import { Box, Heading, Text } from '@chakra-ui/react'
import { useState } from 'react'
import type { Action, DeviceMode } from '../../api/types'
import { useJob, useTools } from '../../layout/JobContext'
import { Choice } from '../../parts/Choice'
import { Form, Send } from '../../parts/Form'
import { cardOf, focusOn } from '../../parts/focusOn'
import { PlainField } from '../../parts/PlainField'
import { Problem } from '../../parts/Problem'
import { useFormDraft } from '../../parts/useDraft'
import { makeGateway } from './newBox'

type Kind = 'gateway' | 'passthrough' | 'locked' | 'modem'

const kinds: Record<Kind, { label: string; name: string; mode: DeviceMode; supports: DeviceMode[] }> = {
  gateway: {
    label: 'A gateway that can be a modem',
    name: 'ISP gateway',
    mode: 'router',
    supports: ['router', 'modem'],
  },
  passthrough: {
    label: 'A gateway with pass-through',
    name: 'ISP gateway',
    mode: 'router',
    supports: ['router', 'passthrough'],
  },
  locked: {
    label: 'A gateway that is a router and nothing else',
    name: 'ISP gateway',
    mode: 'router',
    supports: ['router'],
  },
  modem: { label: 'A modem or a terminal alone', name: 'Modem', mode: 'modem', supports: ['modem'] },
}

const blank = { room: '', kind: 'gateway' as Kind, sockets: '4', address: '', technology: '', ssid: '' }

/** An empty house: what is asked in one look before anything can be said of it. What is left empty is taken as boxes are usually sold, and said so. */
export function BeginHouse() {
  const { house } = useJob()
  const { act } = useTools()
  const { values, set, drop } = useFormDraft('begin', blank)
  const [problem, setProblem] = useState<string>()
  const isModem = values.kind === 'modem'

  const begin = async () => {
    const count = Number(values.sockets)
    if (!Number.isInteger(count) || count < 1 || count > 48)
      return setProblem(
        `Sockets: “${values.sockets}” is no number of sockets. Count those for the house: 1 to 48.`,
      )
    const { name, mode, supports } = kinds[values.kind]
    const actions: Action[] = [
      {
        do: 'add-device',
        device: makeGateway({
          name,
          mode,
          supports,
          sockets: count,
          room: values.room.trim(),
          address: values.address.trim(),
          ssid: values.ssid.trim(),
        }),
      },
      {
        do: 'set-line',
        line: {
          device: 'gateway',
          port: 'line',
          ...(values.technology ? { technology: values.technology as 'fibre' } : {}),
        },
      },
    ]
    const failed = await act(actions, 'Begin with the box at the line')
    setProblem(failed?.message)
    if (failed) return
    drop()
    focusOn(cardOf('gateway'))
  }

  return (
    <Box px={{ base: '16px', md: '24px' }} py="20px" maxW="640px">
      <Heading as="h2" textStyle="stage" mb="4px">
        {house.document.line ? 'A line, and no box at it' : 'An empty house'}
      </Heading>
      <Text color="quiet" mb="14px">
        There is no gateway yet, so nothing can be said of it. Begin where the provider’s line comes in.
      </Text>
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
          value={values.kind}
          options={(Object.keys(kinds) as Kind[]).map((value) => ({ value, label: kinds[value].label }))}
          onChange={(kind) => set({ kind })}
        />
        <PlainField
          label="How many sockets for the house?"
          width="220px"
          kind="number"
          value={values.sockets}
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
        {!isModem && (
          <PlainField
            label="Address on its label, if you see it"
            width="240px"
            mono
            placeholder="192.168.1.1"
            hint="Empty: 192.168.1.1 until somebody looks."
            value={values.address}
            onChange={(address) => set({ address })}
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
