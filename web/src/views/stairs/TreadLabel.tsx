import { Box, Text } from '@chakra-ui/react'
import type { HouseView } from '../../api/types'
import { AddressText } from '../../parts/AddressText'
import { nameOf } from '../../parts/words'
import type { PlacedTread } from './layout/placement'
import { mostServerLines } from './layout/sizes'

/** What a tread is lettered with: subnet, who gives out addresses, names on the air. */
export function TreadLabel(props: { tread: PlacedTread; house: HouseView; isLook?: boolean }) {
  const { tread, house, isLook } = props
  const { tread: data, label } = tread
  const rest = [
    ...(data.guestsOf ? [`guests of ${nameOf(house.document, data.guestsOf)}: internet, nothing else`] : []),
    ...(data.isCutOff && !data.isTable ? ['not joined to the street'] : []),
  ]
  const named = data.servers.slice(0, mostServerLines)
  const more = data.servers.length - named.length
  return (
    <Box
      position="absolute"
      style={{ left: label.x, top: label.y, width: label.w }}
      textAlign={label.right ? 'right' : 'left'}
      pointerEvents="none"
    >
      <Text as="h3" lineHeight="1.3" lineClamp={1}>
        {data.isTable ? (
          <Text as="span" fontWeight="700">
            On the table
          </Text>
        ) : (
          <AddressText fontSize="section" fontWeight="700">
            {data.subnets.join(' and ') || 'no subnet'}
          </AddressText>
        )}
      </Text>
      <Text fontSize="note" color={data.servers.length > 1 ? 'brick' : 'quiet'} lineHeight="17px">
        {data.isTable
          ? isLook
            ? 'not in use'
            : 'not in use: press a socket to lay a cable'
          : data.isLoop
            ? 'a loop: nothing gets through'
            : named.length === 0
              ? 'nobody gives out addresses'
              : named.map((server, i) => (
                  <Box as="span" key={server.device} display="block" truncate>
                    {i === 0 ? 'addresses from ' : 'and from '}
                    {nameOf(house.document, server.device)}, {server.pool}
                    {more > 0 && i === named.length - 1 && ` and ${more} more`}
                  </Box>
                ))}
      </Text>
      <Text fontSize="note" color="quiet" lineHeight="1.3" lineClamp={1}>
        {data.wifiNames.length > 0 && (
          <>
            Wi-Fi <AddressText fontSize="note">{data.wifiNames.join(', ')}</AddressText>
            {rest.length > 0 && ' · '}
          </>
        )}
        {rest.join(' · ')}
      </Text>
    </Box>
  )
}
