import { Flex } from '@chakra-ui/react'
import type { AirView, Building, Room } from '../../api/types'
import { useJob } from '../../layout/JobContext'
import { useDescribe } from '../../layout/useDescribe'
import { DraftChoice } from '../../parts/Choice'
import { DraftField } from '../../parts/DraftField'
import { say } from '../../state/notices'

export const wallWords = [
  { value: 'plasterboard', label: 'thin walls (plasterboard)' },
  { value: 'wood', label: 'wood' },
  { value: 'brick', label: 'brick' },
  { value: 'stone', label: 'thick stone' },
  { value: 'concrete', label: 'concrete' },
] as const

const floorWords = [
  { value: 'wood', label: 'wooden floors' },
  { value: 'concrete', label: 'concrete floors' },
] as const

/** In which country the house stands: asked for where nothing can be said without it. */
export function Country() {
  const { house } = useJob()
  const describe = useDescribe()
  return (
    <DraftField
      label="Country, two letters"
      width="140px"
      mono
      value={house.document.country ?? ''}
      placeholder="GB"
      commit={(country) => describe({ country: country.trim().toUpperCase() || undefined }, 'country')}
    />
  )
}

/** What the house is made of, and in which country it stands. */
export function Materials({ view }: { view: AirView }) {
  const { house } = useJob()
  const describe = useDescribe()
  const building = house.document.building
  const set = async (change: Partial<Building>) => {
    const problem = await describe({ building: { ...building, ...change } as Building })
    if (problem) say(problem, 'problem')
  }
  return (
    <Flex gap="8px 12px" wrap="wrap" align="end" mb="8px">
      {view.isLawKnown && <Country />}
      <DraftChoice
        label="Walls"
        width="190px"
        value={view.walls}
        options={[...wallWords]}
        commit={(walls) => set({ walls })}
      />
      <DraftChoice
        label="Floors"
        width="150px"
        value={view.floors}
        options={[...floorWords]}
        commit={(floors) => set({ floors })}
      />
    </Flex>
  )
}

/** A drawn room's own walls, its floor, and out with its drawing. */
export function RoomMaterial({ room }: { room: Room }) {
  const { house } = useJob()
  const describe = useDescribe()
  const rooms = house.document.rooms ?? []
  return (
    <DraftChoice
      label={`Walls of ${room.name}`}
      width="190px"
      value={room.walls ?? 'usual'}
      options={[{ value: 'usual', label: 'as the house' }, ...wallWords]}
      commit={async (walls) => {
        const change = { walls: walls === 'usual' ? undefined : walls } as Partial<Room>
        const problem = await describe({
          rooms: rooms.map((one) => (one.id === room.id ? { ...one, ...change } : one)),
        })
        if (problem) say(problem, 'problem')
      }}
    />
  )
}
