import { Flex, Text } from '@chakra-ui/react'
import { useQuery, useQueryClient } from '@tanstack/react-query'
import { useEffect, useMemo } from 'react'
import { photos as photosQuery } from '../../api/queries'
import type { WorkStep } from '../../api/types'
import { useJob } from '../../layout/JobContext'
import { FilePick } from '../../parts/FilePick'
import { count } from '../../parts/words'
import { handInPhoto, useWaitingPhotos } from '../../state/waitingPhotos'

/** Pictures of what was seen at a step: a lamp, a page, where a cable went. */
export function StepPhotos({ step }: { step: WorkStep }) {
  const { job } = useJob()
  const queries = useQueryClient()
  const { data = [] } = useQuery(photosQuery(job.id))
  const all = useWaitingPhotos((store) => store.list)
  const waiting = useMemo(
    () => all.filter((one) => one.job === job.id && one.subject === step.key),
    [all, job.id, step.key],
  )
  const mine = data.filter((photo) => photo.subject === step.key)
  return (
    <Flex mt="12px" gap="8px" wrap="wrap" align="center">
      <FilePick
        label={`Picture of what was seen at step ${step.number}`}
        accept="image/jpeg,image/png,image/webp"
        capture="environment"
        take={(chosen) => handInPhoto(queries, job.id, step.key, chosen)}
      >
        Photograph it
      </FilePick>
      {mine.map((photo, i) => (
        <a
          key={photo.id}
          className="thumb"
          href={`/api/jobs/${job.id}/photos/${photo.id}`}
          target="_blank"
          rel="noreferrer"
        >
          <img src={`/api/jobs/${job.id}/photos/${photo.id}`} alt={`What was seen, ${i + 1}`} />
        </a>
      ))}
      {waiting.map((one) => (
        <WaitingPicture key={one.id} picture={one.picture} />
      ))}
      {waiting.length > 0 && (
        <Text textStyle="small" color="quiet" role="status">
          {count(waiting.length, 'picture')} to be handed in.
        </Text>
      )}
    </Flex>
  )
}

function WaitingPicture({ picture }: { picture: Blob }) {
  const link = useMemo(() => URL.createObjectURL(picture), [picture])
  useEffect(() => () => URL.revokeObjectURL(link), [link])
  return (
    <span className="thumb">
      <img src={link} alt="Not handed in yet" />
    </span>
  )
}
