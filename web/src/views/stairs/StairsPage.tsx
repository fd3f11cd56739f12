import { Suspense } from 'react'
import { useJob } from '../../layout/JobContext'
import { BeginHouse } from './panels'
import { Stairs } from './Stairs'

/** The picture, or what is asked before there is one. */
export function StairsPage() {
  const { house } = useJob()
  return (house.document.devices ?? []).length === 0 ? (
    <Suspense>
      <BeginHouse />
    </Suspense>
  ) : (
    <Stairs />
  )
}
