import { Text } from '@chakra-ui/react'
import { DraftPart } from '../../parts/DraftPart'
import { LineFields } from '../stairs/LineInspector'
import { lineId } from '../stairs/useLine'

/** The line is proved at the gateway before anything is touched. */
export function LineStop() {
  return (
    <>
      <Text textStyle="small" color="quiet" mb="10px">
        Prove it at the gateway before anything is touched: does it work, what rate is measured there, which
        outside address does the gateway’s page show?
      </Text>
      <DraftPart name={lineId} about={lineId}>
        <LineFields />
      </DraftPart>
    </>
  )
}
