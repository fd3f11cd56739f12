import { Box, Flex, Heading, Spinner, Text } from '@chakra-ui/react'
import { useQuery } from '@tanstack/react-query'
import { useEffect, useRef } from 'react'
import { useOutletContext } from 'react-router'
import { walk as walkQuery } from '../../api/queries'
import type { Stop, Walk } from '../../api/types'
import { BeginHouse } from '../../features/house/BeginHouse'
import { useJob, useTools } from '../../layout/JobContext'
import type { StageTools } from '../../layout/stageTools'
import { usePlace } from '../../layout/usePlace'
import { DraftPart } from '../../parts/DraftPart'
import { Press } from '../../parts/Press'
import { Problem } from '../../parts/Problem'
import { useNarrow } from '../../parts/useNarrow'
import { AloneStop } from './AloneStop'
import { BoxStop } from './BoxStop'
import { JobQuestions } from './JobQuestions'
import { LineStop } from './LineStop'
import { LookHere } from './LookHere'
import { PasteZone } from './PasteZone'
import { RoomsStop } from './RoomsStop'
import { keyOf, stopFor } from './stops'
import { ThingsStop } from './ThingsStop'
import { Thread } from './Thread'
import { VisitAside } from './VisitAside'

/** The house as it is walked: every stop can be done, skipped or come back to, in any order. */
export function VisitPage() {
  const { job, side } = useJob()
  const { show } = useTools()
  const { params } = usePlace()
  const { addBox } = useOutletContext<StageTools>()
  const { data, error } = useQuery({ ...walkQuery(job.id, job.version), placeholderData: (old) => old })
  // What is met on a walk is the house as found, whichever was looked at before.
  useEffect(() => {
    if (side === 'planned') show('found')
  }, [side, show])
  const narrow = useNarrow()
  const body = useRef<HTMLDivElement>(null)
  const asked = params.get('step')
  const seen = useRef(asked)
  useEffect(() => {
    // On a phone the stop lies below the thread: pressed, it comes into sight.
    if (narrow && asked !== seen.current) body.current?.scrollIntoView({ block: 'start' })
    seen.current = asked
  }, [asked, narrow])
  if (!data)
    return (
      <Box p="24px">
        {error ? (
          <Problem>{error.message}</Problem>
        ) : (
          <Spinner color="spruce" aria-label="Looking at the house" />
        )}
      </Box>
    )
  const stop = stopFor(data, asked)
  const next = data.stops[data.stops.findIndex((one) => keyOf(one) === keyOf(stop)) + 1]
  return (
    <Box px={{ base: '16px', md: '20px' }} py="16px" maxW="1100px">
      <Heading as="h2" textStyle="stage" mb="8px" tabIndex={-1} data-next>
        The house, as you walk it
      </Heading>
      <JobQuestions />
      <Flex gap={{ base: '16px', md: '20px' }} direction={{ base: 'column', md: 'row' }} align="stretch">
        <Box w={{ base: '100%', md: '212px' }} flex="none">
          <Thread stops={data.stops} current={keyOf(stop)} />
          <Press mt="8px" ml={{ md: '34px' }} onClick={addBox}>
            Another box
          </Press>
        </Box>
        <Box flex="1" minW="0" ref={body}>
          <StopBody stop={stop} walk={data} />
          {next && (
            <Box mt="14px" pb="14px">
              <Next stop={next} />
            </Box>
          )}
          <Box borderTop="1px solid" borderColor="hairline" pt="14px">
            <Heading as="h3" textStyle="section" mb="6px">
              What the laptop shows{' '}
              <Text as="span" color="quiet" fontWeight="400" fontSize="note" hideBelow="md">
                v, anywhere
              </Text>
            </Heading>
            <LookHere />
            <PasteZone />
          </Box>
          <Box hideFrom="md" mx="-16px" mt="12px" borderTop="1px solid" borderColor="hairline">
            <VisitAside />
          </Box>
        </Box>
      </Flex>
    </Box>
  )
}

function Next({ stop }: { stop: Stop }) {
  const { turn } = usePlace()
  return <Press onClick={() => turn({ step: keyOf(stop) })}>Next: {stop.title}</Press>
}

function StopBody({ stop, walk }: { stop: Stop; walk: Walk }) {
  const { house } = useJob()
  if (stop.kind === 'line' || stop.kind === 'gateway') {
    const isEmpty = !house.document.line || !stop.box
    if (isEmpty) return <BeginHouse isPart />
  }
  const title = <StopTitle stop={stop} />
  switch (stop.kind) {
    case 'line':
      return (
        <>
          {title}
          <LineStop />
        </>
      )
    case 'gateway':
    case 'box':
      return (
        <>
          {title}
          <DraftPart name={stop.box ?? ''} about={stop.box ?? undefined}>
            <BoxStop key={stop.box} id={stop.box ?? ''} />
          </DraftPart>
        </>
      )
    case 'things':
      return (
        <>
          {title}
          <ThingsStop pingAll={walk.pingAll} />
        </>
      )
    case 'rooms':
      return (
        <>
          {title}
          <RoomsStop heard={walk.heard} />
        </>
      )
    case 'leave-alone':
      return (
        <>
          {title}
          <AloneStop />
        </>
      )
  }
}

function StopTitle({ stop }: { stop: Stop }) {
  return (
    <Heading as="h3" textStyle="section" mb="2px" dir="auto" overflowWrap="anywhere" tabIndex={-1} data-stop>
      {stop.title}{' '}
      <Text as="span" color="quiet" fontWeight="400" fontSize="small">
        {stop.says}
      </Text>
    </Heading>
  )
}
