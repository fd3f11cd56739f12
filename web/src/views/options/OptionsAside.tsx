import { Box, Flex, Heading, Text } from '@chakra-ui/react'
import { useState } from 'react'
import type { Pin } from '../../api/types'
import { useJob } from '../../layout/JobContext'
import { Choice } from '../../parts/Choice'
import { Press } from '../../parts/Press'
import { nameOf } from '../../parts/words'
import { pinsOf, usePins } from '../../state/pins'
import { useOptions } from './useOptions'

/** Of a mode, a place under another box and a name a box has one each. */
const aspectOf = (use: string) => (use.startsWith('name/') ? 'name' : use.includes('/') ? 'place' : 'mode')

/** The schools that lost, each with this house's own reason; and what is settled of a plan beforehand. */
export function OptionsAside() {
  const { job } = useJob()
  const pins = usePins(pinsOf(job.id))
  const set = usePins((one) => one.set)
  // While it is planned again what can be pinned stays there, and with it the focus.
  const { first, whole } = useOptions(pins, true)
  const data = whole ?? first
  const [device, setDevice] = useState('')
  const [use, setUse] = useState('')
  if (!data) return null
  const box = data.pinnable.find((one) => one.device === device) ?? data.pinnable[0]
  const chosen = box?.uses.find((one) => one.use === use) ?? box?.uses[0]
  const add = (forbidden: boolean) => {
    if (!box || !chosen) return
    // A mode takes the place of a mode, and so on; what is forbidden is forbidden beside it.
    const rest = pins.filter(
      (pin) =>
        pin.device !== box.device ||
        (pin.use !== chosen.use &&
          (forbidden || pin.forbidden || aspectOf(pin.use) !== aspectOf(chosen.use))),
    )
    set(job.id, [...rest, { device: box.device, use: chosen.use, forbidden }])
  }
  const say = (pin: Pin) =>
    data.pinnable.find((one) => one.device === pin.device)?.uses.find((one) => one.use === pin.use)?.say ??
    pin.use
  return (
    <Box px="16px" py="14px" borderBottom="1px solid" borderColor="hairline">
      <Heading as="h2" textStyle="section" mb="8px">
        Why not
      </Heading>
      {data.isFirst && (
        <Text textStyle="small" color="quiet">
          Still looking.
        </Text>
      )}
      {!data.isFirst && data.ruledOut.length === 0 && (
        <Text textStyle="small" color="quiet">
          Every way that these boxes can do is shown.
        </Text>
      )}
      <Box as="ul" listStyleType="none">
        {data.ruledOut.map((one) => (
          <Box as="li" key={one.title} mb="10px" overflowWrap="anywhere">
            <Text textStyle="small" fontWeight="650">
              {one.title}
            </Text>
            <Text textStyle="small" color="quiet">
              {one.because}
            </Text>
          </Box>
        ))}
      </Box>
      {box && chosen && (
        <Box
          as="section"
          aria-label="Pinned"
          borderTop="1px solid"
          borderColor="hairline"
          mt="12px"
          pt="12px"
        >
          <Heading as="h2" textStyle="section" mb="6px">
            Pinned
          </Heading>
          {pins.length === 0 && (
            <Text textStyle="small" color="quiet">
              Nothing: every box is free. What is left as found, and what must be used, is said on the visit.
            </Text>
          )}
          <Box as="ul" listStyleType="none" mb="8px">
            {pins.map((pin) => (
              <Flex
                as="li"
                key={`${pin.device}${pin.use}`}
                align="center"
                gap="6px"
                textStyle="small"
                wrap="wrap"
              >
                {nameOf(job.found.document, pin.device)} {pin.forbidden && 'never '}
                {say(pin)}
                <Press
                  kind="plain"
                  aria-label={`Unpin ${nameOf(job.found.document, pin.device)}`}
                  onClick={() =>
                    set(
                      job.id,
                      pins.filter((one) => one !== pin),
                    )
                  }
                >
                  unpin
                </Press>
              </Flex>
            ))}
          </Box>
          <Flex gap="8px" wrap="wrap" align="flex-end">
            <Choice
              label="Box"
              width="130px"
              value={box.device}
              options={data.pinnable.map((one) => ({ value: one.device, label: one.name }))}
              onChange={setDevice}
            />
            <Choice
              label="is"
              width="220px"
              value={chosen.use}
              options={box.uses.map((one) => ({ value: one.use, label: one.say }))}
              onChange={setUse}
            />
          </Flex>
          <Flex gap="8px" mt="8px">
            <Press onClick={() => add(false)}>Pin it so</Press>
            <Press onClick={() => add(true)}>Forbid it</Press>
          </Flex>
        </Box>
      )}
    </Box>
  )
}
