import { Text } from '@chakra-ui/react'
import { LineFields } from '../../features/line/LineInspector'
import { lineId } from '../../features/line/useLine'
import { DraftPart } from '../../parts/DraftPart'

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
