import { Toast, Toaster } from '@chakra-ui/react'
import { Press } from '../parts/Press'
import { toaster } from '../state/notices'

export function Notices() {
  return (
    <Toaster toaster={toaster} insetInline="12px" className="no-print">
      {(toast) => (
        // There at once: words that fade in cannot be read meanwhile.
        <Toast.Root
          transition="none"
          bg="ink"
          color="paper"
          borderRadius="4px"
          px="16px"
          py="8px"
          alignItems="center"
          w="min(520px, calc(100vw - 24px))"
          mb={{ base: '124px', md: '0' }}
          // What is only read is pressed through; on a phone it leaves the buttons of a sheet in sight.
          pointerEvents={toast.closable ? 'auto' : 'none'}
          css={{ 'body:has([role=dialog]) &': { mdDown: { mb: 'calc(100dvh - 110px)' } } }}
        >
          <Toast.Description flex="1" fontSize="text" dir="auto">
            {toast.description}
          </Toast.Description>
          {toast.closable && (
            <Press kind="inverse" onClick={() => toaster.dismiss(toast.id)}>
              Close
            </Press>
          )}
        </Toast.Root>
      )}
    </Toaster>
  )
}
