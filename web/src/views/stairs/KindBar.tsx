import { Box, Text } from '@chakra-ui/react'
import { useState } from 'react'
import { useJob } from '../../layout/JobContext'
import { Choice } from '../../parts/Choice'
import { Foot } from '../../parts/Foot'
import { Press } from '../../parts/Press'
import { Problem } from '../../parts/Problem'
import { useHand } from '../../state/hand'
import { usePlaceKind } from './usePlaceKind'

/** Says which box is in the hand, and puts it somewhere by key as well as by pointer. */
export function KindBar() {
  const { house } = useJob()
  const { kind, problem, takeKind } = useHand()
  const { putOnTread, putInto, socketOn } = usePlaceKind()
  const steps = house.stairs.treads.filter((tread) => socketOn(tread.segment))
  const [step, setStep] = useState('')
  if (!kind) return null
  const chosen = steps.some((one) => one.segment === step) ? step : (steps[0]?.segment ?? '')
  return (
    <Foot role="status" display="flex" gap="12px" alignItems="end" flexWrap="wrap">
      <Box flex="1 1 260px">
        <Text>{kind.label.name} is in your hand: press a free socket, a box, or a step of the Stairs.</Text>
        <Problem>{problem}</Problem>
      </Box>
      {steps.length > 0 && (
        <>
          <Choice
            label="Step"
            width="200px"
            value={chosen}
            options={steps.map((one) => ({
              value: one.segment,
              label: one.subnets.join(' and ') || 'no subnet',
            }))}
            onChange={setStep}
          />
          <Press kind="main" onClick={() => putOnTread(chosen)}>
            Plug it in there
          </Press>
        </>
      )}
      <Press onClick={() => putInto(null)}>Put it on the table</Press>
      <Press onClick={() => takeKind(null)}>Put it back</Press>
    </Foot>
  )
}
