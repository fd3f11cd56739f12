import { Box, Grid, Heading, Text } from '@chakra-ui/react'
import { useState } from 'react'
import type { DiagnosisView, FoundOut } from '../../api/types'
import { useJob } from '../../layout/JobContext'
import { CopyButton } from '../../parts/CopyButton'
import { Press } from '../../parts/Press'
import { count } from '../../parts/words'
import { CauseList } from './CauseList'
import { Complaint } from './Complaint'
import { LookCard } from './LookCard'
import { minutesOf } from './minutes'
import { Past } from './Past'
import { SeenList } from './SeenList'
import { groupsOf, useDiagnosis } from './useDiagnosis'

/** It does not do what it should: the next look, and what it may be. */
export function FaultPage() {
  const { job } = useJob()
  const { data, error, put, add, takeOut, end } = useDiagnosis()
  const [open, setOpen] = useState<number | null>(null)
  if (error && !data)
    return (
      <Box p="24px" role="alert" color="brick">
        {error.message}
      </Box>
    )
  if (!data)
    return (
      <Text p="24px" role="status" color="quiet">
        Looking up what was seen …
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
        <Grid
          mt="12px"
          templateColumns={{ base: '1fr', lg: 'minmax(0, 1fr) 340px' }}
          gap="24px"
          alignItems="start"
        >
          <Box>
            <Next
              data={data}
              found={found}
              onSeen={add}
              onAside={(key) =>
                put(
                  data.seen.map((one) => one.seen as never),
                  [...data.aside, key],
                )
              }
            />
            <Box mt="20px">
              <CauseList
                found={found}
                seen={data.seen.map((one) => one.says)}
                open={open}
                onOpen={setOpen}
                onMended={async (cause) => {
                  setOpen(null)
                  return end(cause)
                }}
              />
            </Box>
          </Box>
          <Box>
            <SeenList groups={groupsOf(data)} onTakeOut={takeOut} />
            {found.forProvider && <ForProvider text={found.forProvider} />}
            <Press mt="16px" kind="plain" onClick={() => end(null)}>
              Stop here: it was not found
            </Press>
          </Box>
        </Grid>
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
}) {
  const { found, data } = props
  const [other, setOther] = useState<string | null>(null)
  const [isListOpen, setListOpen] = useState(false)
  const next = found.looks.find((look) => look.key === other) ?? found.looks[0]
  if (!next)
    return (
      <Box p="16px" border="1.5px solid" borderColor="moss" borderRadius="4px" bg="sheet" role="status">
        <Heading as="h3" fontSize="20px" tabIndex={-1} data-look-head>
          {found.causes.length === 0
            ? 'Nothing that we can think of explains all of this. Look once more at what is odd.'
            : found.causes[0].sentences.length > 1
              ? 'No look tells these apart. Begin with the cheapest mend.'
              : found.causes[0].sentences[0]}
        </Heading>
        {found.confirm && (
          <Box mt="12px">
            <LookCard
              key={found.confirm.key}
              look={found.confirm}
              head="Make sure before you mend it"
              onSeen={props.onSeen}
            />
          </Box>
        )}
      </Box>
    )
  return (
    <>
      <LookCard
        key={next.key}
        look={next}
        head={data.aside.includes(next.key) ? 'Put aside before' : 'Look at this next'}
        onSeen={(seen) => {
          setOther(null)
          return props.onSeen(seen)
        }}
        onAside={() => props.onAside(next.key)}
      />
      {found.looks.length > 1 && (
        <Box mt="8px">
          <Press kind="plain" aria-expanded={isListOpen} onClick={() => setListOpen(!isListOpen)}>
            {count(found.looks.length - 1, 'other look')}
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

function ForProvider({ text }: { text: string }) {
  return (
    <Box as="section" mt="16px" aria-label="For the provider">
      <Heading as="h3" textStyle="section">
        To tell the provider
      </Heading>
      <Text whiteSpace="pre-wrap" fontSize="small" mt="4px" p="10px" bg="paper" borderRadius="4px">
        {text}
      </Text>
      <Box mt="6px">
        <CopyButton value={text} what="what to tell the provider" said="Copied." />
      </Box>
    </Box>
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
