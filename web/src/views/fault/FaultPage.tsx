import { Box, Heading, Text } from '@chakra-ui/react'
import { useState } from 'react'
import type { DiagnosisView, FoundOut, SeenEntry } from '../../api/types'
import { useJob } from '../../layout/JobContext'
import { Press } from '../../parts/Press'
import { useNarrow } from '../../parts/useNarrow'
import { count } from '../../parts/words'
import { Complaint } from './Complaint'
import { FoundSoFar } from './FaultAside'
import { LookCard } from './LookCard'
import { minutesOf } from './minutes'
import { Past } from './Past'
import { Settled } from './Settled'
import { useDiagnosis } from './useDiagnosis'

/** It does not do what it should: the next look, and what it may be. */
export function FaultPage() {
  const { job } = useJob()
  const { data, error, put, add, end } = useDiagnosis()
  const isNarrow = useNarrow()
  if (error && !data)
    return (
      <Box p="24px" role="alert" color="brick">
        {error.message}
      </Box>
    )
  if (!data)
    return (
      <Text p="24px" role="status" color="quiet">
        Loading what was seen …
      </Text>
    )
  const found = data.found
  return (
    <Box px={{ base: '16px', md: '24px' }} py="16px" data-fault={job.id}>
      <Heading as="h2" textStyle="title">
        Fault finding
      </Heading>
      {data.revision === 0 ? (
        <>
          <Complaint onBegin={(seen) => put(seen, [])} />
          <Past past={data.past} />
        </>
      ) : !found ? (
        <Lost data={data} onStop={() => end(null)} />
      ) : (
        <Box mt="12px" maxW="720px">
          {found.agrees && (
            <Text mb="10px" color="ochre">
              As it is written the house does just this: nothing need have gone wrong. The verdict says why,
              and Options how it is mended. What it may hide all the same:
            </Text>
          )}
          <Next
            data={data}
            found={found}
            onSeen={add}
            onMended={end}
            onAside={(key) =>
              put(
                data.seen.map((one) => one.seen as SeenEntry),
                [...data.aside, key],
              )
            }
          />
          {isNarrow && (
            <Box mt="20px">
              <FoundSoFar />
            </Box>
          )}
        </Box>
      )}
    </Box>
  )
}

/** The look that tells most for its minutes; where none tells anything, what is left to do. */
function Next(props: {
  data: DiagnosisView
  found: FoundOut
  onSeen: Parameters<typeof LookCard>[0]['onSeen']
  onAside: (key: string) => unknown
  onMended: (cause: number) => Promise<boolean>
}) {
  const { found, data } = props
  const [other, setOther] = useState<string | null>(null)
  const [isListOpen, setListOpen] = useState(false)
  const next = found.looks.find((look) => look.key === other) ?? found.looks[0]
  if (!next) return <Settled data={data} found={found} onSeen={props.onSeen} onMended={props.onMended} />
  return (
    <>
      <LookCard
        key={next.key}
        look={next}
        head={data.aside.includes(next.key) ? 'You could not check this before' : 'Check this next'}
        onSeen={(seen) => {
          setOther(null)
          return props.onSeen(seen)
        }}
        onAside={() => props.onAside(next.key)}
      />
      {found.looks.length > 1 && (
        <Box mt="8px">
          <Press kind="plain" aria-expanded={isListOpen} onClick={() => setListOpen(!isListOpen)}>
            {count(found.looks.length - 1, 'other check')}
          </Press>
          {isListOpen && (
            <Box as="ul" listStyleType="none" fontSize="small">
              {found.looks
                .filter((look) => look !== next)
                .map((look) => (
                  <Box as="li" key={look.key} py="2px">
                    <Press kind="plain" textAlign="left" onClick={() => setOther(look.key)}>
                      {look.do} ({minutesOf(look.minutes)})
                    </Press>
                  </Box>
                ))}
            </Box>
          )}
        </Box>
      )}
    </>
  )
}

function Lost({ data, onStop }: { data: DiagnosisView; onStop: () => unknown }) {
  return (
    <Box mt="12px" maxW="640px">
      <Text color="ochre">
        The house was changed meanwhile, and what was seen does not fit it any more.{' '}
        {data.lost ?? 'Nothing is left of what was seen.'}
      </Text>
      <Press mt="10px" onClick={onStop}>
        Put it away and begin anew
      </Press>
    </Box>
  )
}
