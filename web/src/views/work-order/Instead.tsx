import { Box, Flex, Heading, Text } from '@chakra-ui/react'
import { useQuery, useQueryClient } from '@tanstack/react-query'
import { useState } from 'react'
import { useNavigate } from 'react-router'
import { type Asked, explainOtherwise, takeTurn } from '../../api/queries'
import type { Meaning, SeenInstead, Sighting, WorkStep } from '../../api/types'
import { useJob } from '../../layout/JobContext'
import { Choice } from '../../parts/Choice'
import { PlainField } from '../../parts/PlainField'
import { Press } from '../../parts/Press'
import { count } from '../../parts/words'
import { say } from '../../state/notices'
import { pinsOf, usePins } from '../../state/pins'

const says: Record<SeenInstead, string> = {
  nothing: 'Nothing: the page does not open',
  'no-network': 'The Wi-Fi is not in the list',
  'other-page': 'The page of another box',
  'asks-first': 'A page that wants something first',
  'other-address': 'It came back at another address',
  'no-internet': 'No internet',
  'want-fails': 'A want does not hold',
  'greyed-out': 'The setting cannot be pressed',
  'gave-up': 'I stop here',
}

const cut = (minutes: number) => (minutes ? `${minutes} min without internet` : 'nobody without internet')

/** What was seen instead, what it may mean by the simulated house, and how the work goes on. */
export function Instead(props: {
  step: WorkStep
  possible: SeenInstead[]
  asked: Asked
  turns: number
  /** Only noted: the order goes on as it is. */
  onNoteOnly: () => unknown
  onTurned: () => void
  onClose: () => void
}) {
  const { step, possible, asked, turns } = props
  const { job } = useJob()
  const queries = useQueryClient()
  const navigate = useNavigate()
  const boxes = job.found.document.devices ?? []
  const [seen, setSeen] = useState<SeenInstead | null>(null)
  const [address, setAddress] = useState('')
  const [device, setDevice] = useState('')
  const [need, setNeed] = useState('')
  const needsMore =
    (seen === 'other-address' && !address.trim()) ||
    (seen === 'other-page' && !device) ||
    (seen === 'want-fails' && !need)
  const sighting: Sighting = {
    seen: seen ?? 'nothing',
    ...(seen === 'other-address' ? { address: address.trim() } : {}),
    ...(seen === 'other-page' ? { device } : {}),
    ...(seen === 'want-fails' ? { need } : {}),
  }
  const { data, error, isFetching } = useQuery({
    queryKey: ['job', job.id, 'otherwise', job.version, turns, step.key, asked, sighting],
    queryFn: () => explainOtherwise(job.id, asked, step.key, sighting),
    enabled: seen !== null && !needsMore,
    gcTime: 10_000,
    retry: false,
  })

  const goOn = async (meaning: Meaning) => {
    if (meaning.isByHand) {
      props.onClose()
      return say('The order goes on as it is.')
    }
    try {
      await takeTurn(job.id, asked, step.key, { ...sighting, turns, meaning: meaning.key })
    } catch (refused) {
      return say(refused instanceof Error ? refused.message : 'That did not work.', 'problem')
    }
    if (meaning.forbids) {
      const { device, mode } = meaning.forbids
      const others = pinsOf(job.id)(usePins.getState()).filter(
        (pin) => pin.device !== device || pin.use !== mode,
      )
      usePins.getState().set(job.id, [...others, { device, use: mode, forbidden: true }])
      void navigate(`/job/${job.id}/options`)
    }
    await queries.invalidateQueries({ queryKey: ['job', job.id, 'work-order'] })
    props.onTurned()
    say('The rest was computed anew, from the house as it now stands.')
  }

  return (
    <Box
      mt="16px"
      p="14px"
      border="1.5px solid"
      borderColor="brick"
      borderRadius="4px"
      bg="sheet"
      data-instead
      as="section"
      aria-label="What was seen instead"
    >
      <Flex justify="space-between" align="baseline" gap="12px">
        <Heading as="h4" fontSize="section" tabIndex={-1} data-instead-head>
          What did you see instead?
        </Heading>
        <Press kind="plain" onClick={props.onClose}>
          close
        </Press>
      </Flex>
      <Flex mt="8px" gap="8px" wrap="wrap">
        {possible.map((one) => (
          <Press
            key={one}
            minH="40px"
            aria-pressed={seen === one}
            onClick={() => setSeen(one)}
            borderColor={seen === one ? 'spruce' : undefined}
            bg={seen === one ? 'spruceWash' : undefined}
          >
            {says[one]}
          </Press>
        ))}
      </Flex>
      {seen === 'other-address' && (
        <Box mt="10px">
          <PlainField
            label="Which address?"
            value={address}
            onChange={setAddress}
            mono
            problem={address.trim() && error ? error.message : undefined}
          />
        </Box>
      )}
      {seen === 'other-page' && (
        <Which
          label="Whose page was it?"
          value={device}
          onChange={setDevice}
          of={boxes.filter((box) => box.id !== step.device).map((box) => [box.id, box.name])}
        />
      )}
      {seen === 'want-fails' && (
        <Which
          label="Which one does not hold?"
          value={need}
          onChange={setNeed}
          of={job.planned.wants
            .filter((want) => want.met === 'yes')
            .map((want) => [want.need, want.sentence])}
        />
      )}
      <Box aria-live="polite">
        {isFetching && !data && (
          <Text mt="12px" color="quiet">
            Playing the house again, one thing at a time gone wrong …
          </Text>
        )}
        {error && seen !== 'other-address' && (
          <Text mt="12px" color="brick">
            {error.message}
          </Text>
        )}
        {seen !== null && !needsMore && data && (
          <>
            <Text mt="12px" fontSize="small" color="quiet">
              The house was played again: this is what would show so, the last thing done first.
            </Text>
            <Box as="ol" listStyleType="none" mt="4px">
              {data.map((meaning) => (
                <Box
                  as="li"
                  key={meaning.key}
                  py="10px"
                  borderTop="1px solid"
                  borderColor="hairline"
                  data-meaning={meaning.key}
                >
                  <Text fontWeight="650">{meaning.sentence}</Text>
                  <Text fontSize="text">{meaning.then}</Text>
                  {meaning.next && (
                    <Text fontSize="small" color={meaning.next.isProven ? 'quiet' : 'ochre'}>
                      {meaning.next.steps === 0
                        ? 'Then nothing is left to do.'
                        : `Then ${count(meaning.next.steps, 'step')}, ${meaning.next.minutes} min, ${cut(meaning.next.cutMinutes)}${meaning.next.isProven ? '' : '; not all of it could be proved'}. First: ${meaning.next.first}.`}
                    </Text>
                  )}
                  <Press mt="6px" minH="40px" onClick={() => goOn(meaning)}>
                    {meaning.isByHand
                      ? 'Done: go on'
                      : meaning.forbids
                        ? 'Plan without it'
                        : 'Go on from there'}
                  </Press>
                </Box>
              ))}
            </Box>
          </>
        )}
      </Box>
      <Flex mt="8px" pt="10px" borderTop="1px solid" borderColor="hairline">
        <Press kind="plain" onClick={props.onNoteOnly}>
          Only note it, and go on as ordered
        </Press>
      </Flex>
    </Box>
  )
}

function Which(props: {
  label: string
  value: string
  of: [id: string, words: string][]
  onChange: (id: string) => void
}) {
  return (
    <Box mt="10px">
      <Choice
        label={props.label}
        width="320px"
        value={props.value}
        onChange={props.onChange}
        options={[
          { value: '', label: 'Choose one' },
          ...props.of.map(([value, label]) => ({ value, label })),
        ]}
      />
    </Box>
  )
}
