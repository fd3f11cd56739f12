import { Box, Flex, Text } from '@chakra-ui/react'
import { useState } from 'react'
import { Link } from 'react-router'
import type { Walk } from '../../api/types'
import { useJob } from '../../layout/JobContext'
import { Choice } from '../../parts/Choice'
import { Copy } from '../../parts/Copy'
import { Press } from '../../parts/Press'
import { connections } from '../stairs/connections'
import { useSettings } from '../stairs/useSettings'

/** Whom the house serves, and where each hangs; several are put on one Wi-Fi at once. */
export function ThingsStop({ pingAll }: { pingAll: Walk['pingAll'] }) {
  const { job, house } = useJob()
  const { orSay } = useSettings()
  const [chosen, setChosen] = useState<string[]>([])
  const [to, setTo] = useState('')
  const things = house.document.endpoints ?? []
  const at = new Map(house.interfaces.map((one) => [one.owner, one.candidates[0]?.address?.split('/')[0]]))
  const places = connections(house, null)
  const wifis = places.filter((one) => one.to && 'ssid' in one.to)
  const marked = chosen.filter((id) => things.some((thing) => thing.id === id))
  const goal = places.find((one) => one.value === to) ?? wifis[0]
  return (
    <Box>
      {things.length === 0 && (
        <Text color="quiet" mb="10px">
          Nobody yet. Paste a neighbour list or the gateway’s list of devices below: most of it is taken in
          with one press.
        </Text>
      )}
      {pingAll.length > 0 && (
        <Box mb="12px">
          <Text textStyle="small" color="quiet">
            A neighbour list shows only whom the laptop has spoken to. This line speaks to everybody first:
          </Text>
          {pingAll.map((one) => (
            <Copy key={one.on} label={one.on} text={one.line} />
          ))}
        </Box>
      )}
      <Box
        as="ul"
        listStyleType="none"
        borderTop={things.length ? '1px solid' : undefined}
        borderColor="hairline"
      >
        {things.map((thing) => (
          <Flex
            as="li"
            key={thing.id}
            borderBottom="1px solid"
            borderColor="hairline"
            align="center"
            gap="10px"
            minH={{ base: 'thumb', md: '34px' }}
          >
            <label className="mark">
              <input
                type="checkbox"
                checked={marked.includes(thing.id)}
                aria-label={`Mark ${thing.name}`}
                onChange={(event) =>
                  setChosen((now) =>
                    event.target.checked ? [...now, thing.id] : now.filter((id) => id !== thing.id),
                  )
                }
              />
            </label>
            <Box flex="1" minW="0">
              <Link
                to={`/job/${job.id}/stairs?box=${encodeURIComponent(thing.id)}`}
                style={{ overflowWrap: 'anywhere' }}
                dir="auto"
              >
                {thing.name}
              </Link>
            </Box>
            <Text fontFamily="mono" fontSize="14px">
              {at.get(thing.id) ?? 'no address'}
            </Text>
            <Text fontFamily="mono" fontSize="13px" color="quiet" hideBelow="md" w="150px">
              {thing.mac ?? 'no MAC'}
            </Text>
          </Flex>
        ))}
      </Box>
      {marked.length > 0 && goal && (
        <Flex gap="10px" mt="10px" align="end" wrap="wrap">
          <Choice
            label={`Put ${marked.length === 1 ? 'it' : `these ${marked.length}`} on`}
            width="220px"
            value={goal.value}
            options={wifis.map((one) => ({ value: one.value, label: one.label }))}
            onChange={setTo}
          />
          <Press
            onClick={async () => {
              const where = goal.to
              if (!where) return
              const done = await orSay(
                ...marked.map((endpoint) => ({ do: 'connect-endpoint' as const, endpoint, to: where })),
              )
              if (done) setChosen([])
            }}
          >
            Join them
          </Press>
        </Flex>
      )}
    </Box>
  )
}
