import { Box, Text } from '@chakra-ui/react'
import type { Walk } from '../../api/types'
import { MarkedBar } from '../../features/box/MarkedBar'
import { useJob } from '../../layout/JobContext'
import { Copy } from '../../parts/Copy'
import { ThingRow } from './ThingRow'

/** Whom the house serves, and where each hangs; several are put on one Wi-Fi, or keep their addresses, at once. */
export function ThingsStop({ pingAll }: { pingAll: Walk['pingAll'] }) {
  const { house } = useJob()
  const things = house.document.endpoints ?? []
  const at = new Map(house.interfaces.map((one) => [one.owner, one.candidates[0]?.address?.split('/')[0]]))
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
      {things.length > 1 && (
        <Text textStyle="note" mb="4px" hideBelow="md">
          Where each hangs, and its room. By key: a first letter chooses, Enter goes on to the next row.
        </Text>
      )}
      <Box
        as="ul"
        listStyleType="none"
        borderTop={things.length ? '1px solid' : undefined}
        borderColor="hairline"
      >
        {things.map((thing) => (
          <ThingRow
            key={thing.id}
            thing={thing}
            address={at.get(thing.id) ?? thing.address?.address?.split('/')[0]}
          />
        ))}
      </Box>
      <Box mt="10px">
        <MarkedBar />
      </Box>
    </Box>
  )
}
