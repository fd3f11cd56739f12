import { Box, Flex, Heading, Text } from '@chakra-ui/react'
import { useState } from 'react'
import type { Action, AddressMark, Ruler } from '../../api/types'
import { useSettings } from '../../features/box/useSettings'
import { useJob } from '../../layout/JobContext'
import { Choice } from '../../parts/Choice'
import { Press } from '../../parts/Press'
import { nameOf } from '../../parts/words'

/** Room for the next box: by either habit of the trade, given to whom it is meant for. */
export function FreeAddresses({ ruler }: { ruler: Ruler }) {
  const { house } = useJob()
  const { orSay } = useSettings()
  const movable = ruler.marks.filter((mark) => mark.owner && mark.kind !== 'gateway')
  const first = movable.find((mark) => mark.amiss) ?? movable.find((mark) => isBox(mark)) ?? movable[0]
  const [who, setWho] = useState('')
  if (ruler.free.length === 0) return null
  const owner = movable.some((mark) => mark.owner === who) ? who : (first?.owner ?? '')
  function isBox(mark: AddressMark) {
    return (house.document.devices ?? []).some((box) => box.id === mark.owner)
  }
  const length = ruler.prefix.slice(ruler.prefix.indexOf('/'))
  const router = ruler.marks.find((mark) => mark.kind === 'gateway')
  const thing = (house.document.endpoints ?? []).find((one) => one.id === owner)
  const server = ruler.pools[0]
  const fix = (address: string): Action =>
    thing
      ? {
          do: 'set-endpoint-address',
          endpoint: owner,
          address: {
            method: 'static',
            address: `${address}${length}`,
            gateway: router?.address,
            dns: thing.address?.dns ?? [],
          },
        }
      : { do: 'set-lan-address', device: owner, address: `${address}${length}` }
  return (
    <Box mt="12px">
      <Flex gap="8px 16px" align="end" wrap="wrap" mb="4px">
        <Heading as="h4" fontSize="text">
          Room for the next box
        </Heading>
        {movable.length > 0 && (
          <Choice
            label="meant for"
            width="200px"
            value={owner}
            options={[...new Map(movable.map((mark) => [mark.owner, mark])).values()].map((mark) => ({
              value: mark.owner ?? '',
              label: mark.name,
            }))}
            onChange={setWho}
          />
        )}
      </Flex>
      <Box as="ul" listStyleType="none">
        {ruler.free.map((free) => (
          <Flex
            as="li"
            key={free.address}
            gap="4px 16px"
            align="center"
            wrap="wrap"
            minH={{ base: 'thumb', md: '32px' }}
          >
            <Text fontFamily="mono" fontWeight="700" w="150px">
              {free.address}
            </Text>
            <Text textStyle="small" color="quiet" flex="1" minW="180px">
              {free.why}
            </Text>
            {free.canBeUsed && owner && (
              <Flex gap="6px">
                <Press
                  onClick={() => orSay(fix(free.address))}
                  aria-label={`Give it to ${nameOf(house.document, owner)}: ${free.address}`}
                >
                  Give it to {nameOf(house.document, owner)}
                </Press>
                {thing?.mac && server && thing.address?.method !== 'static' && (
                  <Press
                    onClick={() =>
                      orSay({
                        do: 'reserve-address',
                        device: server.device,
                        mac: thing.mac as string,
                        address: free.address,
                      })
                    }
                  >
                    Reserve it instead
                  </Press>
                )}
              </Flex>
            )}
          </Flex>
        ))}
      </Box>
    </Box>
  )
}
