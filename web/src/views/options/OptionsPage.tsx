import { Box, Heading, Spinner, Text } from '@chakra-ui/react'
import type { Action, OptionView } from '../../api/types'
import { useJob, useTools } from '../../layout/JobContext'
import { Press } from '../../parts/Press'
import { Problem } from '../../parts/Problem'
import { useNarrow } from '../../parts/useNarrow'
import { count } from '../../parts/words'
import { say } from '../../state/notices'
import { pinsOf, usePins } from '../../state/pins'
import { ConflictStrip } from './ConflictStrip'
import { OptionsAside } from './OptionsAside'
import { OtherWays } from './OtherWays'
import { useOptions } from './useOptions'
import { WayCard } from './WayCard'
import { WayTable } from './WayTable'

/** More do not fit side by side. */
const mostSideBySide = 4

const numbers = ['No', 'One', 'Two', 'Three', 'Four', 'Five', 'Six', 'Seven']

/** What is known while the look goes on. */
const firstWords = (first: { isExact: boolean; searched: number } | undefined) => {
  if (!first) return 'Trying the ways there are …'
  return first.isExact
    ? 'The best way is found, and proved to be the best. Looking for others that differ in kind, and writing their orders …'
    : `The best of ${count(first.searched, 'house')} so far; looking for better ones, and writing their orders …`
}

const wholeWords = (whole: { isExact: boolean; searched: number; atBest: string | null }) =>
  whole.isExact
    ? `${count(whole.searched, 'house')} tried; nothing better exists for these boxes, cables and wants: all others come to less at best.`
    : `${count(whole.searched, 'house')} tried; the house is too big to rule out every other. ${whole.atBest ?? ''}`

/** The plans of the house as found, searched, simulated and set side by side. */
export function OptionsPage() {
  const { job } = useJob()
  const { adopt, show, act } = useTools()
  const pins = usePins(pinsOf(job.id))
  // The first ways stand there while the rest is looked for; of a house that is no longer the present one nothing does.
  const { first, whole, error, isFetching, stop, look } = useOptions(pins)
  const data = whole ?? first
  const narrow = useNarrow()
  const shown = (data?.plans ?? []).slice(0, mostSideBySide)
  const others = (data?.plans ?? []).slice(mostSideBySide)
  const isEmpty = (job.found.document.devices ?? []).length === 0

  const take = (plan: OptionView, index: number) =>
    plan.actions.length === 0 ? (
      <Text textStyle="small" color="quiet" mt="10px">
        Nothing to do.
      </Text>
    ) : (
      <Press
        mt="10px"
        kind={index === 0 ? 'main' : 'other'}
        onClick={async () => {
          if (await adopt(plan.actions, plan.title)) show('planned')
        }}
      >
        Take this one
      </Press>
    )
  const giveUp = async (need: string, want: string) => {
    show('found')
    const problem = await act([{ do: 'remove-need', need }], `Give up: ${want}`)
    if (problem) say(problem.message, 'problem')
  }

  const mend = async (actions: Action[], words: string) => {
    show('found')
    const problem = await act(actions, words.replace(/\.$/, ''))
    if (problem) say(problem.message, 'problem')
  }

  return (
    <Box px={{ base: '16px', md: '20px' }} py="16px">
      <Heading as="h2" textStyle="stage" mb="4px" tabIndex={-1} data-next>
        {data
          ? `${numbers[data.plans.length] ?? data.plans.length} ${data.plans.length === 1 ? 'way' : 'ways'} to set this house`
          : 'Ways to set this house'}
      </Heading>
      <Text color="quiet" mb="12px" role="status">
        {isFetching ? (
          <>
            <Spinner size="xs" mr="6px" /> {firstWords(first)}{' '}
            <Press kind="plain" onClick={stop}>
              Stop
            </Press>
          </>
        ) : whole ? (
          wholeWords(whole)
        ) : first ? (
          first.isExact ? (
            'The best way; the look for other kinds was stopped.'
          ) : (
            `A first look at ${count(first.searched, 'house')}; it was stopped. ${first.atBest ?? ''}`
          )
        ) : null}
      </Text>
      <Problem>{error?.message}</Problem>
      {!whole && !isFetching && !error && <Press onClick={look}>Look for ways</Press>}
      {isEmpty && (
        <Text>No box yet. Walk the house first: the line, the gateway, what lies on the table.</Text>
      )}
      {data && !isEmpty && data.plans.length === 0 && (
        <Text>
          No plan keeps to what is pinned and to what must stay. Take a pin out, or let a box be set.
        </Text>
      )}
      {data && !isEmpty && data.plans.length > 0 && (
        <Box aria-busy={isFetching}>
          {narrow ? (
            shown.map((plan, index) => (
              <WayCard key={plan.title} plan={plan} plans={shown} index={index} take={take(plan, index)} />
            ))
          ) : (
            <WayTable plans={shown} take={take} />
          )}
          {others.length > 0 && <OtherWays plans={others} take={(plan) => take(plan, mostSideBySide)} />}
        </Box>
      )}
      {data?.conflicts.map((one) => (
        <ConflictStrip key={one.needs.join(' ')} conflict={one} giveUp={giveUp} mend={mend} />
      ))}
      {narrow && (
        <Box mx="-16px" mt="12px" borderTop="1px solid" borderColor="hairline">
          <OptionsAside />
        </Box>
      )}
    </Box>
  )
}
