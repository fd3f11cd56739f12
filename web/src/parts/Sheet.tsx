import { CloseButton, Dialog, Portal } from '@chakra-ui/react'
import type { ReactNode } from 'react'
import { Form } from './Form'
import { useHeldPage } from './useHeldPage'

/** A dialog that lies on the sheet. */
export function Sheet(props: {
  title: string
  open: boolean
  onClose: () => void
  children: ReactNode
  footer?: ReactNode
  /** What Enter in one of its fields does: the same as its main button, which then is of the kind “submit”. */
  onSubmit?: () => void
  /** A sheet for a table takes what there is of the window. */
  size?: 'md' | 'cover'
}) {
  useHeldPage(props.open)
  const body = props.onSubmit ? <Form onSend={props.onSubmit}>{props.children}</Form> : props.children
  return (
    <Dialog.Root
      open={props.open}
      onOpenChange={(change) => !change.open && props.onClose()}
      scrollBehavior="inside"
      size={props.size ?? 'md'}
      motionPreset="none"
      preventScroll={false}
      lazyMount
      unmountOnExit
    >
      <Portal>
        <Dialog.Backdrop bg="rgba(12,20,22,.45)" />
        <Dialog.Positioner>
          <Dialog.Content bg="sheet" color="ink" borderRadius="6px" mx="12px" className="sheet-over">
            <Dialog.Header pb="8px" pr="48px">
              <Dialog.Title fontSize="18px">{props.title}</Dialog.Title>
            </Dialog.Header>
            <Dialog.Body>{body}</Dialog.Body>
            {props.footer && <Dialog.Footer flexWrap="wrap">{props.footer}</Dialog.Footer>}
            <Dialog.CloseTrigger asChild>
              <CloseButton
                w={{ base: 'thumb', md: '32px' }}
                h={{ base: 'thumb', md: '32px' }}
                color="ink"
                aria-label="Close"
              />
            </Dialog.CloseTrigger>
          </Dialog.Content>
        </Dialog.Positioner>
      </Portal>
    </Dialog.Root>
  )
}
