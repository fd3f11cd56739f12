import { Box, Text } from '@chakra-ui/react'
import type { HouseView, Trace, TraceHop } from '../../api/types'
import { AddressText } from '../../parts/AddressText'
import { nameOf, socketName } from '../../parts/words'

function crossing(house: HouseView, hop: TraceHop): string {
  if (hop.over === 'line') return 'over the provider’s line'
  if (hop.over === 'plug') return 'by its own cable'
  if (hop.over === 'radio') return `on Wi-Fi ${hop.ssid}`
  const cable = house.document.cables?.find((one) => one.id === hop.cable)
  if (!cable) return 'over a cable'
  const medium = cable.medium === 'powerline' ? 'powerline' : cable.medium === 'coax' ? 'coax' : 'cable'
  return `by ${medium} between ${socketName(house, cable.a)} and ${socketName(house, cable.b)}`
}

const roles: Record<string, string> = { bridge: 'passes it on', router: 'routes', street: '', carrier: '' }

/** A thing's way to the street, hop by hop, as the core followed it. */
export function TraceList({ trace, house }: { trace: Trace; house: HouseView }) {
  if (trace.hops.length === 0)
    return <Text fontSize="small">It is on no network, so there is no way to follow.</Text>
  return (
    <Box as="ol" aria-label="Its way to the street" fontSize="small" pl="20px" listStyleType="decimal">
      {trace.hops.map((hop, i) => (
        // A way may cross one box twice: the place in the row is what tells the hops apart.
        <Box as="li" key={`${i}-${hop.device}`} mb="2px">
          <Text as="span" fontWeight="650">
            {hop.device === 'isp' ? 'The street' : nameOf(house.document, hop.device)}
          </Text>{' '}
          <Text as="span" color="quiet">
            {crossing(house, hop)}
          </Text>
          {hop.becomes && hop.source ? (
            <Text as="span" color="plum">
              {' '}
              one step: <AddressText>{hop.source}</AddressText> becomes{' '}
              <AddressText>{hop.becomes}</AddressText>
            </Text>
          ) : hop.device === 'isp' && hop.source ? (
            <Text as="span">
              {' '}
              as <AddressText>{hop.source}</AddressText>
            </Text>
          ) : (
            <Text as="span" color="quiet">
              {' '}
              {roles[hop.role]}
            </Text>
          )}
        </Box>
      ))}
      {trace.reachable !== 'yes' && (
        <Text color={trace.reachable === 'no' ? 'brick' : 'ochre'} fontWeight="650">
          {trace.reachable === 'no'
            ? 'Here it ends: it does not get to the street and back.'
            : 'Now and then: chance decides on the way.'}
        </Text>
      )}
    </Box>
  )
}

/** The wires and arcs that a trace runs over, by the ids that the picture gives them. */
export function litBy(trace: Trace | undefined): Set<string> {
  const lit = new Set<string>()
  if (!trace) return lit
  let before: string | null = null
  for (const hop of trace.hops) {
    if (hop.over === 'plug') lit.add(`to-${trace.from}`)
    else if (hop.over === 'radio' && before === null) lit.add(`${hop.device}/${hop.ssid}`)
    else if (hop.over === 'radio') lit.add(`up-${before}`).add(`up-${hop.device}`)
    else if (hop.over === 'line') lit.add('line')
    else if (hop.cable) lit.add(`cable-${hop.cable}`)
    before = hop.device
  }
  return lit
}
