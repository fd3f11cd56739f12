import { Drawer, Portal } from '@chakra-ui/react'
import { Press } from '../parts/Press'
import { VerdictColumn } from './VerdictColumn'

/** Where there is no room for it beside the work, the verdict is drawn over it. */
export function VerdictDrawer({ onClose }: { onClose: () => void }) {
  return (
    // The page under it is a frame that does not scroll: nothing has to be held.
    <Drawer.Root open preventScroll={false} onOpenChange={(change) => !change.open && onClose()}>
      <Portal>
        <Drawer.Backdrop bg="rgba(12,20,22,.45)" />
        <Drawer.Positioner>
          <Drawer.Content bg="paper" color="ink">
            <Drawer.Header pb="0">
              <Drawer.Title>Verdict</Drawer.Title>
            </Drawer.Header>
            <Drawer.Body px="0">
              <VerdictColumn />
            </Drawer.Body>
            <Drawer.Footer>
              <Press onClick={onClose}>Close</Press>
            </Drawer.Footer>
          </Drawer.Content>
        </Drawer.Positioner>
      </Portal>
    </Drawer.Root>
  )
}
