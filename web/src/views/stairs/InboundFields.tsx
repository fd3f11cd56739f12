import { Box, Flex } from '@chakra-ui/react'
import { useState } from 'react'
import type { Device } from '../../api/types'
import { inSubnetOf } from '../../features/address/addressWords'
import { useSettings } from '../../features/box/useSettings'
import { AddressText } from '../../parts/AddressText'
import { DraftField } from '../../parts/DraftField'
import { Form, Send } from '../../parts/Form'
import { PlainField } from '../../parts/PlainField'
import { Press } from '../../parts/Press'
import { Problem } from '../../parts/Problem'
import { Protocol, type Transport } from '../../parts/Protocol'
import { useFormDraft } from '../../parts/useDraft'

/** What a router lets in: its forwards and its DMZ host. */
export function InboundFields({ device }: { device: Device }) {
  const { attempt, orSay } = useSettings()
  const { values, set, drop } = useFormDraft('forward', {
    protocol: 'tcp' as Transport,
    port: '',
    to: '',
  })
  const { protocol, port, to } = values
  const [problem, setProblem] = useState<string>()
  const add = async () => {
    const [address, inner] = inSubnetOf(device.lan?.address, to.trim()).split(':')
    const failed = await attempt(
      [
        {
          do: 'set-forward',
          device: device.id,
          forward: {
            protocol,
            port: Number(port) || 0,
            toAddress: address,
            ...(inner ? { toPort: Number(inner) || 0 } : {}),
          },
        },
      ],
      'forward.port',
      'forward.toPort',
      'forward.toAddress',
    )
    setProblem(failed)
    if (!failed) drop()
  }
  return (
    <>
      {(device.portForwards ?? []).map((one) => (
        <Flex key={`${one.protocol}${one.port}`} gap="10px" align="center" fontSize="small">
          <AddressText>
            {one.protocol} {one.port} → {one.toAddress}:{one.toPort ?? one.port}
          </AddressText>
          <Press
            kind="plain"
            aria-label={`Remove the forward of ${one.protocol} ${one.port}`}
            onClick={() =>
              void orSay({
                do: 'remove-forward',
                device: device.id,
                protocol: one.protocol,
                port: one.port,
              })
            }
          >
            remove
          </Press>
        </Flex>
      ))}
      <Flex gap="12px" wrap="wrap" align="end" mt="4px">
        <Form gap="12px" align="end" onSend={add}>
          <Protocol value={protocol} onChange={(protocol) => set({ protocol })} />
          <PlainField
            label="Forward port"
            width="110px"
            mono
            kind="number"
            value={port}
            onChange={(text) => set({ port: text })}
          />
          <PlainField
            label="To address or address:port"
            width="210px"
            mono
            value={to}
            onChange={(text) => set({ to: text })}
          />
          <Send disabled={!port || !to}>Forward it</Send>
        </Form>
        <Box>
          <DraftField
            label="DMZ host"
            mono
            width="156px"
            value={device.dmzHost ?? ''}
            placeholder="nobody"
            commit={(host) =>
              attempt([{ do: 'set-dmz-host', device: device.id, ...(host ? { host } : {}) }], 'host')
            }
          />
        </Box>
      </Flex>
      <Problem fontSize="note" mt="2px">
        {problem}
      </Problem>
    </>
  )
}
