import { Text } from '@chakra-ui/react'
import { Press } from '../../parts/Press'
import { Sheet } from '../../parts/Sheet'

export function DeleteSheet(props: { name: string; onClose: () => void; onDelete: () => unknown }) {
  return (
    <Sheet
      title={`Delete ${props.name}?`}
      open
      onClose={props.onClose}
      footer={
        <>
          <Press onClick={props.onClose}>Keep it</Press>
          <Press kind="danger" onClick={props.onDelete}>
            Delete it for good
          </Press>
        </>
      }
    >
      <Text>Both houses, every revision and every tick of the work order go. This cannot be undone.</Text>
    </Sheet>
  )
}
