import { Box, Flex, Text } from '@chakra-ui/react'
import { useQuery, useQueryClient } from '@tanstack/react-query'
import { useState } from 'react'
import { forgetSecret, keepSecret, secrets, showSecret, suggestSecret } from '../api/queries'
import { useJob } from '../layout/JobContext'
import { CopyButton } from './CopyButton'
import { Form, Send } from './Form'
import { PlainField } from './PlainField'
import { Press } from './Press'
import { Problem } from './Problem'

/**
 * A password of the job, kept sealed by the server: typed once, shown and copied by a press. It stays in no draft, no address and no list
 * that is fetched; what is shown is let go when the part is left.
 */
export function Secret({ name, label }: { name: string; label: string }) {
  const { job } = useJob()
  const queries = useQueryClient()
  const { data } = useQuery(secrets(job.id))
  const [typed, setTyped] = useState<string | null>(null)
  const [shown, setShown] = useState<string | null>(null)
  const [problem, setProblem] = useState<string>()
  const kept = data?.find((one) => one.name === name)
  const attempt = async (work: () => Promise<unknown>) => {
    try {
      await work()
      setProblem(undefined)
    } catch (failed) {
      setProblem((failed as Error).message)
    }
  }
  const after = () => queries.invalidateQueries({ queryKey: secrets(job.id).queryKey })
  const keep = () =>
    attempt(async () => {
      await keepSecret(job.id, name, typed ?? '')
      setTyped(null)
      setShown(null)
      await after()
    })
  return (
    <Box role="group" aria-label={label}>
      <Flex gap="4px 10px" align="center" wrap="wrap" minH="field">
        <Text textStyle="small">{label}</Text>
        {shown !== null ? (
          <>
            <Text fontFamily="mono" fontSize="17px" fontWeight="600" overflowWrap="anywhere">
              {shown}
            </Text>
            <CopyButton value={shown} what={label} />
            <Press kind="plain" onClick={() => setShown(null)}>
              hide
            </Press>
          </>
        ) : (
          <Text textStyle="small" color="quiet">
            {kept ? 'kept' : 'not kept yet'}
          </Text>
        )}
        {kept && shown === null && (
          <Press
            kind="plain"
            aria-label={`show: ${label}`}
            onClick={() => attempt(async () => setShown((await showSecret(job.id, name)).value))}
          >
            show
          </Press>
        )}
        {typed === null && (
          <Press
            kind="plain"
            aria-label={`${kept ? 'change' : 'type it'}: ${label}`}
            onClick={() => setTyped('')}
          >
            {kept ? 'change' : 'type it'}
          </Press>
        )}
        {kept && typed === null && (
          <Press
            kind="plain"
            aria-label={`forget: ${label}`}
            onClick={() =>
              attempt(async () => {
                await forgetSecret(job.id, name)
                setShown(null)
                await after()
              })
            }
          >
            forget
          </Press>
        )}
      </Flex>
      {kept?.against.map((one) => (
        <Text key={one} textStyle="small" color="ochre">
          {one}
        </Text>
      ))}
      {typed !== null && (
        <Form gap="8px" align="end" onSend={keep}>
          <PlainField label={`${label}, as it is`} width="260px" mono value={typed} onChange={setTyped} />
          <Send>Keep it</Send>
          <Press onClick={() => attempt(async () => setTyped((await suggestSecret()).sayable))}>
            One to say
          </Press>
          <Press onClick={() => attempt(async () => setTyped((await suggestSecret()).plain))}>
            One to read
          </Press>
          <Press kind="plain" onClick={() => setTyped(null)}>
            leave it
          </Press>
        </Form>
      )}
      <Problem>{problem}</Problem>
    </Box>
  )
}
