import { Box, Heading, Text } from '@chakra-ui/react'
import type { WorkOrderView } from '../../api/types'
import { useJob, useTools } from '../../layout/JobContext'
import { Press } from '../../parts/Press'
import { type Hands, useWay } from '../../state/way'
import { Gaps } from './Gaps'
import { HandsChoice } from './OrderHead'
import { Turns } from './Turns'

/** An order without a step: nothing is planned, nothing is left to do, or none was found for what is in hand. */
export function NoSteps({ data }: { data: WorkOrderView }) {
  const { job } = useJob()
  const { show } = useTools()
  const choose = useWay((ways) => ways.set)
  const isBack = data.way.startsWith('back:')
  const isNone = data.order.gaps.length > 0
  const isOver = !isNone && (isBack || data.turns.length > 0)
  return (
    <Box p="24px" maxW="560px">
      <Heading as="h2" textStyle="stage" mb="8px">
        {isNone ? data.order.title : isOver ? 'Nothing is left to do' : 'Nothing to do yet'}
      </Heading>
      <Gaps order={data.order} />
      {isNone && <HandsChoice has={data.with as Hands} />}
      <Turns turns={data.turns} />
      {isOver && <Text>The house stands as {isBack ? 'it was found' : 'it is planned'}.</Text>}
      {isBack && (
        <Press mt="8px" onClick={() => choose(job.id)}>
          Go on with the order instead
        </Press>
      )}
      {!isNone && !isOver && (
        <>
          <Text mb="12px">
            The plan is still the house as found. Press a fix in the verdict, choose a way under Options, or
            change the planned house on the Stairs: the order of work follows.
          </Text>
          <Press kind="main" onClick={() => show('planned')}>
            Look at the planned house
          </Press>
        </>
      )}
    </Box>
  )
}
