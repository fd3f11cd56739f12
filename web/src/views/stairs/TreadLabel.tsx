import { Box, Text } from '@chakra-ui/react'
import type { HouseView } from '../../api/types'
import { AddressText } from '../../parts/AddressText'
import { nameOf } from '../../parts/words'
import type { PlacedTread } from './layout/placement'

/** What a tread is lettered with: subnet, who gives out addresses, names on the air. */
export function TreadLabel({ tread, house }: { tread: PlacedTread; house: HouseView }) {
  const { tread: data, label } = tread
  const server = (s: { device: string; pool: string }) => `${nameOf(house.document, s.device)}, ${s.pool}`
  return (
    <Box
      position="absolute"
      left={`${label.x}px`}
      top={`${label.y}px`}
      w={`${label.w}px`}
      textAlign={label.right ? 'right' : 'left'}
      pointerEvents="none"
    >
      <Text as="h3" lineHeight="1.3" lineClamp={1}>
        <AddressText fontSize="16px" fontWeight="700">
          {data.subnets.join(' and ') || 'no subnet'}
        </AddressText>
      </Text>
      <Text
        fontSize="13px"
        color={data.servers.length > 1 ? 'brick' : 'quiet'}
        lineHeight="1.3"
        lineClamp={1}
      >
        {data.isLoop
          ? 'a loop: nothing gets through'
          : data.servers.length === 0
            ? 'nobody gives out addresses'
            : `addresses from ${data.servers.map(server).join(' and from ')}`}
      </Text>
      <Text fontSize="13px" color="quiet" lineHeight="1.3" lineClamp={1}>
        {data.wifiNames.length > 0 && (
          <>
            Wi-Fi <AddressText fontSize="13px">{data.wifiNames.join(', ')}</AddressText>
          </>
        )}
        {data.guestsOf && ` · guests of ${nameOf(house.document, data.guestsOf)}: internet, nothing else`}
        {data.isCutOff && ' · not joined to the street'}
      </Text>
    </Box>
  )
}
