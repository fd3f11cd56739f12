import { Text } from '@chakra-ui/react'
import { useJob } from '../../layout/JobContext'
import { Foot } from '../../parts/Foot'
import { Press } from '../../parts/Press'
import { nameOf, socketName } from '../../parts/words'
import { useHand } from '../../state/hand'
import { occupantOf } from './occupants'
import { useCableMoves } from './useCableMoves'

/** Says what is in the hand and what can be done with it. */
export function HandBar() {
  const { house } = useJob()
  const { held, hold } = useHand()
  const { unplug } = useCableMoves()
  if (!held) return null
  const occupant = occupantOf(house.document, held)
  const what =
    occupant === null
      ? `Free socket ${socketName(house.document, held)}: press another socket to lay a cable.`
      : occupant.kind === 'line'
        ? `The provider’s line is in ${socketName(house.document, held)}.`
        : occupant.kind === 'thing'
          ? `${nameOf(house.document, occupant.id)} in ${socketName(house.document, held)}: press a free socket to move it.`
          : `Cable from ${socketName(house.document, held)} to ${socketName(house.document, occupant.far)}: press a free socket to move this end.`
  return (
    <Foot role="status" display="flex" gap="12px" alignItems="center" flexWrap="wrap">
      <Text flex="1 1 260px">{what}</Text>
      {(occupant?.kind === 'cable' || occupant?.kind === 'thing') && (
        <Press kind="danger" onClick={() => unplug(held)}>
          Unplug it
        </Press>
      )}
      <Press onClick={() => hold(null)}>Put it down</Press>
    </Foot>
  )
}
