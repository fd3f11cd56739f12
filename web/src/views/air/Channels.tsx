import { Box, Flex, Heading, Text } from '@chakra-ui/react'
import { useQuery } from '@tanstack/react-query'
import { channelPlan } from '../../api/queries'
import type { AirView, ChannelPlanView } from '../../api/types'
import { useJob, useTools } from '../../layout/JobContext'
import { Press } from '../../parts/Press'
import { nameOf } from '../../parts/words'
import { Neighbours } from './Neighbours'
import { Strip } from './Strip'

/** Each band as a ruler, who shares with whom, and the channels of all radios together. */
export function Channels({ view }: { view: AirView }) {
  const { job, side } = useJob()
  const { data: plan } = useQuery({
    ...channelPlan(job.id, side, job.version),
    placeholderData: (old) => old,
  })
  const sharing = view.strips.flatMap((strip) =>
    strip.radios.filter((radio) => radio.with.length > 0).map((radio) => ({ strip, radio })),
  )
  return (
    <Box as="section" aria-label="Channels" mt="22px">
      <Heading as="h3" textStyle="section" mb="8px">
        Channels
      </Heading>
      {view.strips.map((strip) => (
        <Strip key={strip.band} strip={strip} />
      ))}
      {sharing.length > 0 && (
        <Box as="ul" listStyleType="none" mb="8px" aria-label="Who shares the air">
          {sharing.map(({ strip, radio }) => (
            <Text as="li" key={`${radio.device} ${radio.radio}`} textStyle="small">
              <b>{radio.name}</b>, {strip.band} GHz: {Math.round(radio.share * 100)} % of the time is left to
              it, shared with {[...new Set(radio.with)].join(', ')}.
            </Text>
          ))}
        </Box>
      )}
      {plan && <Plan plan={plan} />}
      <Neighbours />
    </Box>
  )
}

function Plan({ plan: { plan, say: words, whyNone } }: { plan: ChannelPlanView }) {
  const { house } = useJob()
  const { plan: take } = useTools()
  if (!plan) return <Text textStyle="small">{whyNone}</Text>
  const channel = (number: number | null) => (number == null ? 'its own choice' : String(number))
  const changed = plan.radios.filter(
    (radio) => radio.from !== radio.to || radio.fromWidthMHz !== radio.toWidthMHz,
  )
  if (whyNone) return <Text textStyle="small">{whyNone}</Text>
  if (!words || plan.actions.length === 0)
    return (
      <Text textStyle="small" color="moss" fontWeight="650">
        {plan.isExact
          ? 'No other channels would gain anybody a tenth.'
          : 'No better channels were found; there are too many radios to try every choice.'}
      </Text>
    )
  return (
    <Box borderTop="1px solid" borderColor="hairline" pt="8px">
      <Text fontWeight="650">
        {plan.isExact
          ? 'The best channels for all radios together'
          : 'Better channels, the best that were found'}
      </Text>
      <Box as="ul" listStyleType="none" mb="8px">
        {changed.map((radio) => (
          <Text as="li" key={`${radio.device} ${radio.radio}`} textStyle="small">
            {nameOf(house.document, radio.device)}, {radio.band} GHz: {channel(radio.from)} →{' '}
            {channel(radio.to)}
            {radio.fromWidthMHz !== radio.toWidthMHz && `, ${radio.fromWidthMHz} → ${radio.toWidthMHz} MHz`};{' '}
            <b>{Math.round(radio.shareAfter * 100)} %</b> of the time instead of{' '}
            {Math.round(radio.shareBefore * 100)} %
            {radio.isRadar && '; it waits a minute for radar before it sends'}
          </Text>
        ))}
      </Box>
      <Flex gap="8px">
        <Press kind="main" onClick={() => take({ say: words, actions: plan.actions, deeds: [] })}>
          {words}
        </Press>
      </Flex>
    </Box>
  )
}
