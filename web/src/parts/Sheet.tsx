import { CloseButton, Dialog, Portal } from '@chakra-ui/react'
import type { ReactNode } from 'react'

/** A dialog that lies on the sheet. */
export function Sheet(props: {
  title: string
  open: boolean
  onClose: () => void
  children: ReactNode
  footer?: ReactNode
  /** A sheet for a table takes what there is of the window. */
  size?: 'md' | 'cover'
}) {
  return (
    <Dialog.Root
      open={props.open}
      onOpenChange={(change) => !change.open && props.onClose()}
      scrollBehavior="inside"
      size={props.size ?? 'md'}
    >
      <Portal>
        <Dialog.Backdrop bg="rgba(12,20,22,.45)" />
        <Dialog.Positioner>
          <Dialog.Content bg="sheet" color="ink" borderRadius="6px" mx="12px">
            <Dialog.Header pb="8px">
              <Dialog.Title fontSize="18px">{props.title}</Dialog.Title>
            </Dialog.Header>
            <Dialog.Body>{props.children}</Dialog.Body>
            {props.footer && <Dialog.Footer>{props.footer}</Dialog.Footer>}
            <Dialog.CloseTrigger asChild>
              <CloseButton size="sm" color="ink" aria-label="Close" />
            </Dialog.CloseTrigger>
          </Dialog.Content>
        </Dialog.Positioner>
      </Portal>
    </Dialog.Root>
  )
}
