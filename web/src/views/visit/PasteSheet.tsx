import { Sheet } from '../../parts/Sheet'
import { PasteZone } from './PasteZone'

/** The same place as in Visit, over any stage. */
export function PasteSheet({ onClose }: { onClose: () => void }) {
  return (
    <Sheet title="What the laptop shows" open onClose={onClose} size="cover">
      <PasteZone compact />
    </Sheet>
  )
}
