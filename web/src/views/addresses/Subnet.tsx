import { Box, Flex, Heading, Text } from '@chakra-ui/react'
import { useState } from 'react'
import type { Ruler } from '../../api/types'
import { inSubnetOf } from '../../features/address/addressWords'
import { useSettings } from '../../features/box/useSettings'
import { useJob } from '../../layout/JobContext'
import { DraftField } from '../../parts/DraftField'
import { DraftPart } from '../../parts/DraftPart'
import { Press } from '../../parts/Press'
import { count, nameOf } from '../../parts/words'
import { FreeAddresses } from './FreeAddresses'
import { MarkRows } from './MarkRows'
import { MoveSubnet } from './MoveSubnet'
import { RulerPicture } from './RulerPicture'

const stepWords = ['on the street', 'one step down', 'two steps down', 'three steps down']

export function Subnet({ ruler }: { ruler: Ruler }) {
  const { house } = useJob()
  const { attempt, orSay } = useSettings()
  const [isMoving, setMoving] = useState(false)
  const clashes = ruler.marks.filter((mark) => mark.amiss).length
  const movePool = (device: string, ends: { start?: string; end?: string }) => ({
    do: 'move-pool' as const,
    device,
    ...ends,
  })
  const here = (text: string) => inSubnetOf(ruler.prefix, text)
  return (
    <Box as="section" aria-label={`Subnet ${ruler.prefix}`} mb="26px">
      <Heading as="h3" mb="6px">
        <Text as="span" fontFamily="mono" fontSize="19px" fontWeight="700">
          {ruler.prefix}
        </Text>{' '}
        <Text as="span" fontSize="small" fontWeight="400" color={ruler.depth > 1 ? 'plum' : 'quiet'}>
          {ruler.guestsOf
            ? `guests of ${nameOf(house.document, ruler.guestsOf)}`
            : (stepWords[ruler.depth] ?? `${ruler.depth} steps down`)}{' '}
          · {count(ruler.usable, 'usable address', 'usable addresses')}
        </Text>
        {clashes > 0 && (
          <Text as="span" fontSize="small" color="brick" fontWeight="650">
            {' '}
            · {count(clashes, 'clash', 'clashes')}
          </Text>
        )}
      </Heading>
      <RulerPicture
        ruler={ruler}
        drag={(device, start, end) => void orSay(movePool(device, { start, end }))}
      />
      <MarkRows ruler={ruler} />
      {!ruler.guestsOf &&
        ruler.pools.map((pool) => (
          <DraftPart key={pool.device} name={`pool/${pool.device}`} about={pool.device}>
            <Flex gap="8px 12px" wrap="wrap" align="end" mt="10px">
              <DraftField
                label={`Pool of ${pool.name}, from`}
                width="190px"
                mono
                kind="address"
                value={pool.isUnknown ? '' : pool.start}
                placeholder="nobody has looked"
                commit={(start) => attempt([movePool(pool.device, { start: here(start) })], 'start', 'end')}
              />
              <DraftField
                label={`Pool of ${pool.name}, to`}
                width="190px"
                mono
                kind="address"
                value={pool.isUnknown ? '' : pool.end}
                placeholder="nobody has looked"
                commit={(end) => attempt([movePool(pool.device, { end: here(end) })], 'end', 'start')}
              />
              <Text textStyle="note" pb="6px">
                {count(Number(pool.count), 'address', 'addresses')}
              </Text>
            </Flex>
            {pool.room.map((later) => (
              <Flex key={later.start} gap="8px" align="baseline" mt="6px" wrap="wrap">
                <Press onClick={() => orSay(movePool(pool.device, { start: later.start }))}>
                  Make room: start it at {later.start.slice(later.start.lastIndexOf('.'))}
                </Press>
                <Text textStyle="note">
                  {later.moves.length === 0
                    ? 'nobody gets another address'
                    : `${later.moves.join(', ')} will get another address when ${later.moves.length === 1 ? 'it asks' : 'they ask'} again`}
                </Text>
              </Flex>
            ))}
          </DraftPart>
        ))}
      <FreeAddresses ruler={ruler} />
      {!ruler.guestsOf &&
        (isMoving ? (
          <MoveSubnet ruler={ruler} onClose={() => setMoving(false)} />
        ) : (
          <Press kind="plain" mt="6px" onClick={() => setMoving(true)}>
            Move the whole subnet
          </Press>
        ))}
    </Box>
  )
}
