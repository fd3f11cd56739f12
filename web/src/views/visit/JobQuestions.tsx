import { Box, Flex, Heading, Text } from '@chakra-ui/react'
import { useQuery } from '@tanstack/react-query'
import { Link as RouterLink } from 'react-router'
import { jobInWords } from '../../api/queries'
import type { Question } from '../../api/types'
import { PoolField } from '../../features/address/PoolField'
import { useJob, useTools } from '../../layout/JobContext'
import { useStageTools } from '../../layout/stageTools'
import { usePlace } from '../../layout/usePlace'
import { PlainField } from '../../parts/PlainField'
import { Press } from '../../parts/Press'
import { saidOf, useJobWords } from '../../state/jobWords'
import { keyOf } from './stops'

/** What is to be done, in a few words, and the few questions that decide it. All else may stay open. */
export function JobQuestions() {
  const { job } = useJob()
  const said = useJobWords(saidOf(job.id))
  const set = useJobWords((all) => all.set)
  const { data } = useQuery(jobInWords(job.id, job.version, said.words))
  const open = data?.questions.filter((one) => !one.answered && !said.aside.includes(one.id)) ?? []
  const known = data?.questions.filter((one) => one.answered) ?? []
  return (
    <Box mb="14px" pb="12px" borderBottom="1px solid" borderColor="hairline" maxW="760px">
      <PlainField
        label="What is to be done?"
        width="100%"
        value={said.words}
        placeholder="access point in the loft"
        options={data?.examples}
        hint={
          said.words ? undefined : 'Say it, and only what decides it is asked. Or walk the whole house below.'
        }
        onChange={(words) => set(job.id, { words, aside: [] })}
      />
      {data && said.words && (
        <Box aria-live="polite" mt="8px">
          <Heading as="h3" textStyle="section">
            {data.says}
          </Heading>
          {data.sort && (
            <Text textStyle="small" color="quiet" mb="6px">
              {open.length === 0
                ? 'All that decides it is known, or left open. '
                : `${open.length === 1 ? 'One question decides' : `${open.length} questions decide`} it. Leave open what you do not know. `}
              {open.length === 0 && (
                <RouterLink className="link" to={`/job/${job.id}/options`}>
                  See the ways to do it
                </RouterLink>
              )}
            </Text>
          )}
          <Box as="ol" listStyleType="none" data-questions>
            {open.map((one) => (
              <Asked
                key={one.id}
                question={one}
                setAside={() => set(job.id, { aside: [...said.aside, one.id] })}
              />
            ))}
          </Box>
          {known.length > 0 && (
            <Text textStyle="small" mt="6px" overflowWrap="anywhere">
              <Text as="span" color="quiet">
                Known:{' '}
              </Text>
              {known.map((one) => `${one.asks} ${one.answered}.`).join(' ')}
            </Text>
          )}
          {said.aside.length > 0 && (
            <Press kind="plain" onClick={() => set(job.id, { aside: [] })}>
              Ask again what was left open
            </Press>
          )}
        </Box>
      )}
    </Box>
  )
}

function Asked({ question, setAside }: { question: Question; setAside: () => void }) {
  return (
    <Box as="li" py="6px" borderTop="1px solid" borderColor="hairline" data-question={question.id}>
      <Text fontWeight="650">{question.asks}</Text>
      <Text textStyle="small" color="quiet">
        {question.why}
      </Text>
      <Flex gap="6px 8px" wrap="wrap" mt="4px" align="end">
        <AnswerBy question={question} setAside={setAside} />
        <Press kind="plain" onClick={setAside} aria-label={`Leave open: ${question.asks}`}>
          Leave it open
        </Press>
      </Flex>
    </Box>
  )
}

function AnswerBy({ question, setAside }: { question: Question; setAside: () => void }) {
  const { house } = useJob()
  const { act } = useTools()
  const { addBox } = useStageTools()
  const { turn } = usePlace()
  switch (question.by) {
    case 'press':
      return question.answers.map((one) => (
        <Press
          key={one.say}
          onClick={() =>
            one.actions.length === 0 ? setAside() : act(one.actions, `${question.asks} ${one.say}`)
          }
        >
          {one.say}
        </Press>
      ))
    case 'pool': {
      const box = house.document.devices?.find((one) => one.id === question.box)
      return box && <PoolField box={box} />
    }
    case 'box':
      return <Press onClick={addBox}>Say which</Press>
    case 'words':
      return <Text textStyle="small">Say it above, such as “… in the loft”.</Text>
    case 'stop':
      return (
        <Press onClick={() => turn({ step: keyOf({ kind: question.stop, box: question.box }) })}>
          Note it below
        </Press>
      )
  }
}
