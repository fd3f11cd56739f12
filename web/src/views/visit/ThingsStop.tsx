import { Box, Flex, Text } from '@chakra-ui/react'
import { Link } from 'react-router'
import type { Walk } from '../../api/types'
import { useJob } from '../../layout/JobContext'
import { Copy } from '../../parts/Copy'
import { useMarks } from '../../state/marks'
import { MarkedBar } from '../stairs/MarkedBar'

/** Whom the house serves, and where each hangs; several are put on one Wi-Fi, or keep their addresses, at once. */
export function ThingsStop({ pingAll }: { pingAll: Walk['pingAll'] }) {
  const { job, house } = useJob()
  const { marked, toggle } = useMarks()
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
                onChange={() => toggle(thing.id)}
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
      <Box mt="10px">
        <MarkedBar />
      </Box>
    </Box>
  )
}
