import { Box, Flex, Text } from '@chakra-ui/react'
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { useState } from 'react'
import { copies, makeCopy, putBack } from '../../api/queries'
import type { CopyHead } from '../../api/types'
import { Press } from '../../parts/Press'
import { Problem } from '../../parts/Problem'
import { Sheet } from '../../parts/Sheet'
import { when } from '../../parts/when'
import { say } from '../../state/notices'

const size = (bytes: number) =>
  bytes < 1_000_000 ? `${Math.round(bytes / 1_000)} KB` : `${(bytes / 1_000_000).toFixed(1)} MB`

/** The copies of all jobs that the laptop keeps, each of which can take their place. */
export function CopiesSheet({ onClose }: { onClose: () => void }) {
  const { data, error } = useQuery(copies)
  const queries = useQueryClient()
  const [chosen, setChosen] = useState<CopyHead>()
  const settle = (now: CopyHead[]) => queries.setQueryData(copies.queryKey, now)
  const make = useMutation({
    mutationFn: makeCopy,
    onSuccess: (now) => {
      settle(now)
      say('A copy of the jobs as they are now is kept.')
    },
  })
  const back = useMutation({
    mutationFn: (copy: CopyHead) => putBack(copy.name),
    onSuccess: async (now, copy) => {
      settle(now)
      setChosen(undefined)
      // Whatever was read of any job before is of another state.
      queries.removeQueries({ queryKey: ['job'] })
      await queries.invalidateQueries({ queryKey: ['jobs'] })
      say(`The jobs are those of ${when(copy.at)} again. What was there is a copy in this list.`)
    },
  })

  return (
    <Sheet
      title="Copies of your jobs"
      open
      onClose={onClose}
      footer={
        <>
          <Press onClick={() => make.mutate()} disabled={make.isPending}>
            Keep a copy now
          </Press>
          <Press onClick={onClose}>Close</Press>
        </>
      }
    >
      <Problem>{(error ?? make.error ?? back.error)?.message}</Problem>
      <Text mb="10px">
        Each start of Altrin keeps a copy of all jobs, three of them in all, where something has changed.
        Passwords and pictures of a job that was deleted are in none of them.
      </Text>
      {!data && !error && (
        <Text role="status" color="quiet">
          Looking …
        </Text>
      )}
      {data?.length === 0 && <Text color="quiet">No copy is kept yet: there was nothing to keep.</Text>}
      <Box as="ul" listStyleType="none">
        {data?.map((copy) => (
          <Box as="li" key={copy.name} borderTop="1px solid" borderColor="hairline" py="8px">
            <Flex gap="12px" align="center" wrap="wrap">
              <Box flex="1" minW="200px">
                <Text fontWeight="700">
                  {when(copy.at)}
                  {copy.isBefore && ', before another was put back'}
                </Text>
                <Text fontSize="small" color="quiet" overflowWrap="anywhere">
                  {copy.jobs === 1 ? '1 job' : `${copy.jobs} jobs`}, {size(copy.bytes)}
                  {copy.last && copy.lastAt && `. Last changed: ${copy.last}, ${when(copy.lastAt)}`}
                </Text>
              </Box>
              {chosen?.name !== copy.name && (
                <Press onClick={() => setChosen(copy)} aria-label={`Put back the copy of ${when(copy.at)}`}>
                  Put back …
                </Press>
              )}
            </Flex>
            {chosen?.name === copy.name && (
              <Box mt="8px">
                <Text mb="8px">
                  All jobs become what they were then. What is there now is kept as a copy of its own, so that
                  this can be taken back in the same way.
                </Text>
                <Flex gap="8px" wrap="wrap">
                  <Press kind="danger" onClick={() => back.mutate(copy)} disabled={back.isPending} autoFocus>
                    {back.isPending ? 'Putting it back …' : 'Put this copy back'}
                  </Press>
                  <Press onClick={() => setChosen(undefined)}>Leave the jobs as they are</Press>
                </Flex>
              </Box>
            )}
          </Box>
        ))}
      </Box>
    </Sheet>
  )
}
