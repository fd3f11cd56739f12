import { Text } from '@chakra-ui/react'
import { occupantOf } from '../../features/box/occupants'
import { useSettings } from '../../features/box/useSettings'
import { useJob } from '../../layout/JobContext'
import { DraftChoice } from '../../parts/Choice'
import { DraftField } from '../../parts/DraftField'
import { DraftPart } from '../../parts/DraftPart'
import { Foot } from '../../parts/Foot'
import { Press } from '../../parts/Press'
import { nameOf, socketName } from '../../parts/words'
import { useHand } from '../../state/hand'
import { useCableMoves } from './useCableMoves'

/** Says what is in the hand and what can be done with it. */
export function HandBar() {
  const { house } = useJob()
  const { held, hold } = useHand()
  const { unplug } = useCableMoves()
  const { attempt, orSay } = useSettings()
  if (!held) return null
  const occupant = occupantOf(house.document, held)
  const cable =
    occupant?.kind === 'cable' ? house.document.cables?.find((one) => one.id === occupant.id) : undefined
  const replace = {
    do: 'replace-cable' as const,
    cable: cable?.id ?? '',
    medium: cable?.medium ?? ('ethernet' as const),
    ...(cable?.category ? { category: cable.category } : {}),
    ...(cable?.lengthM != null ? { lengthM: cable.lengthM } : {}),
  }
  const what =
    occupant === null
      ? `Free socket ${socketName(house, held)}: press another socket to lay a cable.`
      : occupant.kind === 'line'
        ? `The provider’s line is in ${socketName(house, held)}.`
        : occupant.kind === 'thing'
          ? `${nameOf(house.document, occupant.id)} in ${socketName(house, held)}: press a free socket to move it.`
          : `Cable from ${socketName(house, held)} to ${socketName(house, occupant.far)}: press a free socket to move this end.`
  return (
    <Foot role="status" display="flex" gap="12px" alignItems="end" flexWrap="wrap">
      <Text flex="1 1 260px">{what}</Text>
      {cable && (
        <DraftPart name={`cable ${cable.id}`}>
          <DraftChoice
            label="Medium"
            width="120px"
            value={cable.medium ?? 'ethernet'}
            options={[
              { value: 'ethernet', label: 'data cable' },
              { value: 'powerline', label: 'powerline' },
              { value: 'coax', label: 'coax' },
            ]}
            commit={(medium) => orSay({ ...replace, medium })}
          />
          {(cable.medium ?? 'ethernet') === 'ethernet' && (
            <DraftChoice
              label="Category"
              width="100px"
              value={cable.category ?? ''}
              options={[
                { value: '', label: 'unknown' },
                ...['cat5', 'cat5e', 'cat6', 'cat6a'].map((value) => ({ value, label: value })),
              ]}
              commit={(category) =>
                orSay({ ...replace, ...(category ? { category } : { category: undefined }) })
              }
            />
          )}
          <DraftField
            label="Length in metres"
            width="110px"
            mono
            value={cable.lengthM == null ? '' : String(cable.lengthM)}
            placeholder="unknown"
            commit={(text) =>
              text && !Number(text)
                ? Promise.resolve(`“${text}” is no length. Write metres, such as 18.`)
                : attempt([{ ...replace, lengthM: text ? Number(text) : undefined }], 'lengthM')
            }
          />
        </DraftPart>
      )}
      {(occupant?.kind === 'cable' || occupant?.kind === 'thing') && (
        <Press kind="danger" onClick={() => unplug(held)}>
          Unplug it
        </Press>
      )}
      <Press onClick={() => hold(null)}>Put it down</Press>
    </Foot>
  )
}
