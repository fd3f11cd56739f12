import { Text } from '@chakra-ui/react'
import { useQuery } from '@tanstack/react-query'
import { air } from '../../api/queries'
import type { RoomRate } from '../../api/types'
import { useJob } from '../../layout/JobContext'
import { rate } from './sheets'

/** The rooms in which another house gives something else, with both numbers. */
export function LookList({ rooms }: { rooms: RoomRate[] }) {
  const { job, side } = useJob()
  const { data } = useQuery(air(job.id, side, job.version))
  const changed = (data?.rooms ?? []).flatMap((room) => {
    const then = rooms.find((one) => one.room === room.id)?.mbps
    return then === undefined || rate(then) === rate(room.mbps ?? 0) ? [] : [{ room, then }]
  })
  return (
    <Text textStyle="small" color="spruce" role="status" gridColumn="1 / -1">
      {changed.length === 0
        ? 'No room gets another rate.'
        : changed.map(({ room, then }) => `${room.name} ${rate(room.mbps ?? 0)} → ${rate(then)}`).join(', ')}
    </Text>
  )
}
