import { Box, Flex, Heading, Text, Textarea } from '@chakra-ui/react'
import type { ReactNode } from 'react'
import type { TickView, WorkStep } from '../../api/types'
import { AddressText } from '../../parts/AddressText'
import { CopyButton } from '../../parts/CopyButton'
import { Press } from '../../parts/Press'
import { Problem } from '../../parts/Problem'
import { Tick } from '../../parts/Tick'
import { useDraft } from '../../parts/useDraft'
import { keyFor, useShortcuts } from '../../state/shortcuts'
import { Changes } from './Changes'
import { ExpectedList, Row } from './ExpectedList'
import { StepTimer } from './StepTimer'

const time = (at: string) => new Date(at).toLocaleTimeString('en-GB', { hour: '2-digit', minute: '2-digit' })

/** One step, large enough to be read at arm's length. */
export function StepView(props: {
  step: WorkStep
  tick: TickView
  /** A laptop, or a phone. */
  inHand: string
  onStart: () => unknown
  onFinish: (outcome: 'as-said') => unknown
  /** What was seen instead is asked for. */
  onElse: () => unknown
  /** What is asked then, in the place of the answers. */
  instead?: ReactNode
  /** Pictures of what was seen. */
  photos?: ReactNode
  /** What must be seen, with what the laptop sees of it by itself while the step is open. */
  watching?: ReactNode
  /** Where what the laptop shows is compared. */
  shown?: ReactNode
  onReopen: () => unknown
  /** Why the note was not kept, if it was not. */
  onNote: (note: string) => Promise<string | undefined>
  onBack: () => void
  onNext: () => void
}) {
  const { step, tick } = props
  const note = useDraft(`note of ${step.key}`, tick.note, props.onNote)
  const isDone = tick.outcome !== 'open'
  return (
    <Box
      as="section"
      aria-label={`Step ${step.number}`}
      maxW="640px"
      pb="24px"
      position={{ md: 'sticky' }}
      top="16px"
      alignSelf="start"
    >
      <Text fontSize="small" color="quiet" fontWeight="650">
        Step {step.number}
      </Text>
      <Heading
        as="h3"
        fontSize="22px"
        lineHeight="1.25"
        pb="10px"
        borderBottom="1px solid"
        borderColor="hairline"
      >
        {step.title}
      </Heading>

      <Box as="dl" mt="12px">
        {step.laptop && <Row name={props.inHand === 'phone' ? 'Phone' : 'Laptop'}>{step.laptop}</Row>}
        {step.open && (
          <Row name="Open">
            <Flex justify="space-between" gap="12px">
              <AddressText fontSize="18px" fontWeight="600">
                {step.open}
              </AddressText>
              <CopyButton value={step.open} what="the page" />
            </Flex>
          </Row>
        )}
        {step.find && <Row name="Find">{step.find}</Row>}
      </Box>

      <Changes changes={step.changes} />

      {step.cutOff.length > 0 && (
        <Text mt="12px" color="ochre" fontWeight="650">
          Cut off by this step: {step.cutOff.join(', ')}. Say so before you do it.
        </Text>
      )}
      {step.meanwhile.length > 0 && (
        <Text mt="12px" color="ochre" fontWeight="650">
          Without internet until it is back: {step.meanwhile.join(', ')}. Say so before you do it.
        </Text>
      )}
      {step.waitSeconds != null && (
        <StepTimer seconds={step.waitSeconds} startedAt={tick.startedAt ?? null} onStart={props.onStart} />
      )}

      {props.watching ?? <ExpectedList step={step} />}
      {props.shown}

      {props.instead ? (
        props.instead
      ) : isDone ? (
        <Flex mt="20px" align="center" gap="12px" color={tick.outcome === 'as-said' ? 'moss' : 'brick'}>
          {tick.outcome === 'as-said' && <Tick size={18} />}
          <Text fontWeight="700">
            {tick.outcome === 'as-said' ? 'Seen as said' : 'Something else was seen'}
            {tick.doneAt ? `, ${time(tick.doneAt)}` : ''}
          </Text>
          <Press kind="plain" onClick={props.onReopen}>
            take it back
          </Press>
        </Flex>
      ) : (
        // Under the thumb on a phone, however long the step is.
        <Flex
          mt={{ base: '12px', md: '20px' }}
          py={{ base: '8px', md: '0' }}
          gap="12px"
          wrap="wrap"
          align="center"
          position={{ base: 'sticky', md: 'static' }}
          bottom="0"
          bg="paper"
          zIndex="1"
        >
          <Press
            kind="main"
            data-done
            px="28px"
            minH="44px"
            fontSize="section"
            onClick={() => props.onFinish('as-said')}
          >
            Seen as said
          </Press>
          <Press kind="danger" px="20px" minH="44px" fontSize="section" onClick={props.onElse}>
            Something else
          </Press>
          <Keys />
        </Flex>
      )}

      {isDone && tick.seen && (
        <Box mt="10px">
          <Text textStyle="note">Seen by the laptop</Text>
          <Text whiteSpace="pre-line" overflowWrap="anywhere">
            {tick.seen}
          </Text>
        </Box>
      )}

      {step.cautions.map((caution) => (
        <Text key={caution} mt="12px" pl="12px" borderLeft="3px dashed" borderColor="ochre" fontSize="text">
          {caution}
        </Text>
      ))}

      <Box mt="20px">
        <Text as="label" fontSize="small" color="quiet" {...{ htmlFor: 'note' }}>
          {tick.outcome === 'something-else' ? 'What did you see?' : 'Note'}
        </Text>
        <Textarea
          id="note"
          rows={2}
          maxLength={4000}
          bg="sheet"
          borderColor="quiet"
          borderRadius="4px"
          dir="auto"
          fontSize={{ base: '16px', md: '15px' }}
          value={note.text}
          onChange={(event) => note.type(event.target.value)}
          onBlur={() => void note.put()}
        />
        <Problem fontSize="small">{note.problem}</Problem>
        {props.photos}
      </Box>
      <Flex mt="12px" justify="space-between">
        <Press kind="plain" onClick={props.onBack} disabled={step.number === 1}>
          Step before
        </Press>
        <Press kind="plain" onClick={props.onNext}>
          Next step
        </Press>
      </Flex>
    </Box>
  )
}

function Keys() {
  const { on, own } = useShortcuts()
  if (!on) return null
  return (
    <Text hideBelow="md" fontFamily="mono" fontSize="note" color="quiet" aria-hidden>
      {keyFor(own, 'done')} · {keyFor(own, 'else')}
    </Text>
  )
}
