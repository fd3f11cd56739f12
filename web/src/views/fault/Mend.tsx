import { Box, Text } from '@chakra-ui/react'
import { useQuery } from '@tanstack/react-query'
import { mendOrder } from '../../api/queries'
import type { CauseView, WorkOrder } from '../../api/types'
import { useJob } from '../../layout/JobContext'
import { Press } from '../../parts/Press'
import { useDiagnosis } from './useDiagnosis'

/** What to do about a cause, as a small work order of its own, and what must then be seen. */
export function Mend({
  cause,
  index,
  onMended,
}: {
  cause: CauseView
  index: number
  onMended: () => Promise<boolean>
}) {
  const { job } = useJob()
  const { data: diagnosis, hands } = useDiagnosis()
  const { data: order, error } = useQuery({
    ...mendOrder(job.id, job.version, diagnosis?.revision ?? 0, index, hands),
    enabled: !cause.isProviders && !!diagnosis?.revision,
  })
  return (
    <Box mt="8px" p="12px" bg="paper" borderRadius="4px" data-mend>
      {cause.isProviders ? (
        <Text>Nothing in the house mends it: tell the provider what was seen (below).</Text>
      ) : error ? (
        <Text color="brick">{error.message}</Text>
      ) : !order ? (
        <Text role="status" color="quiet">
          Writing the steps …
        </Text>
      ) : (
        <Steps order={order} words={cause.mend} />
      )}
      {cause.advice && <Text mt="6px">{cause.advice}</Text>}
      {!cause.isProviders && (
        <Text fontSize="small" color={cause.isProved ? 'moss' : 'ochre'} mt="6px">
          {cause.isProved
            ? 'Simulated: after this every want that held before holds again.'
            : 'Simulated: after this some wants still fail. Look further.'}
        </Text>
      )}
      <Press kind="main" mt="8px" minH="44px" onClick={onMended} data-mended>
        It works again: this was it
      </Press>
    </Box>
  )
}

function Steps({ order, words }: { order: WorkOrder; words: string[] }) {
  // What no step of an order does, such as where the laptop is, is said in words.
  if (order.steps.length === 0)
    return (
      <Box as="ul" pl="18px" listStyleType="disc">
        {words.map((one) => (
          <li key={one}>{one}</li>
        ))}
      </Box>
    )
  return (
    <Box>
      {order.gaps.map((gap) => (
        <Text key={gap.says} color="ochre">
          {gap.says}
        </Text>
      ))}
      <StepLines order={order} />
    </Box>
  )
}

function StepLines({ order }: { order: WorkOrder }) {
  return (
    <Box as="ol" pl="20px" listStyleType="decimal">
      {order.steps.map((step) => (
        <Box as="li" key={step.key} py="3px">
          {step.title}
          {step.open && (
            <Text as="span" color="quiet">
              {' '}
              at {step.open}
            </Text>
          )}
          {step.changes.length > 0 && (
            <Text as="span">
              : {step.changes.map((change) => `${change.setting} ${change.to}`).join(', ')}
            </Text>
          )}
          {step.expect.length > 0 && (
            <Text fontSize="small" color="quiet">
              Then:{' '}
              {step.expect
                .map((one) => (one.reading === 'holds' ? one.value : `${one.reading} ${one.value}`))
                .join('; ')}
            </Text>
          )}
        </Box>
      ))}
    </Box>
  )
}
