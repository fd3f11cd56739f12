import { Box, Flex, Text } from '@chakra-ui/react'
import { useQuery } from '@tanstack/react-query'
import { useRef, useState } from 'react'
import api, { unwrap } from '../../api/client'
import { eyes as eyesQuery } from '../../api/queries'
import type { EyesSight } from '../../api/types'
import { useJob } from '../../layout/JobContext'
import { Press } from '../../parts/Press'
import { Problem } from '../../parts/Problem'
import { WhichAdapter } from '../../parts/WhichAdapter'
import { useEyes } from '../../state/eyes'
import { MeasureHere } from './MeasureHere'
import { ReadPaste } from './ReadPaste'

/** The laptop looks for itself where it stands; it does so at a press, and says what it did. */
export function LookHere() {
  const { job } = useJob()
  const { data: state } = useQuery(eyesQuery)
  const [seen, setSeen] = useState<EyesSight>()
  const [problem, setProblem] = useState<string>()
  const [isLooking, setLooking] = useState(false)
  const stop = useRef<AbortController>(null)
  if (!state?.says) return null

  const look = async (asked: { sweep: boolean; after: boolean }) => {
    stop.current?.abort()
    const mine = new AbortController()
    stop.current = mine
    setLooking(true)
    setProblem(undefined)
    try {
      setSeen(
        await unwrap<EyesSight>(
          api.POST('/api/jobs/{id}/eyes/look', {
            params: { path: { id: job.id } },
            body: { ...asked, adapter: useEyes.getState().adapter[job.id] },
            signal: mine.signal,
          }),
        ),
      )
    } catch (failed) {
      if (!mine.signal.aborted) setProblem((failed as Error).message)
    } finally {
      if (stop.current === mine) setLooking(false)
    }
  }
  return (
    <Box mb="12px">
      <Flex gap="8px 12px" wrap="wrap" align="center">
        <Press kind="main" onClick={() => look({ sweep: false, after: false })}>
          Look here
        </Press>
        <Press onClick={() => look({ sweep: true, after: false })}>Look, and ask who else is here</Press>
        {seen && (
          <Press onClick={() => look({ sweep: seen.asked > 0, after: true })}>Look again: what is new?</Press>
        )}
        {isLooking && (
          <Press
            kind="plain"
            onClick={() => {
              stop.current?.abort()
              setLooking(false)
            }}
          >
            Stop
          </Press>
        )}
      </Flex>
      <Text textStyle="note" mt="4px" role="status">
        {isLooking
          ? 'Looking …'
          : `It reads the addresses, the neighbours and the Wi-Fi list of ${state.says}. To see who else is here it pings each address of its own subnet once. Nothing leaves the house, no password is sent.`}
      </Text>
      <MeasureHere />
      <Problem mt="6px">{problem}</Problem>
      {seen && <WhichAdapter job={job.id} adapters={seen.adapters} />}
      {seen && (
        <Box mt="8px" aria-busy={isLooking || undefined}>
          <ReadPaste from="Seen by the laptop" paste={seen.paste} isStale={isLooking} />
          <Text textStyle="note" mt="8px" overflowWrap="anywhere">
            {[...seen.did, ...seen.leftOut].join(' ')}
          </Text>
        </Box>
      )}
    </Box>
  )
}
