import { Flex, type FlexProps } from '@chakra-ui/react'
import { type ComponentProps, createContext, useContext } from 'react'
import { Press } from './Press'
import { useBusy } from './useBusy'

const Sending = createContext(false)

/** Fields that are sent together: by their button, or by Enter in any of them, and not twice at a time. */
export function Form({ onSend, children, ...look }: Omit<FlexProps, 'onSubmit'> & { onSend: () => unknown }) {
  const { busy, run } = useBusy()
  return (
    <Flex
      as="form"
      wrap="wrap"
      {...look}
      onSubmit={(event) => {
        event.preventDefault()
        void run(onSend)
      }}
    >
      <Sending.Provider value={busy}>{children}</Sending.Provider>
    </Flex>
  )
}

/** The form's own button. */
export function Send(props: ComponentProps<typeof Press>) {
  return <Press type="submit" aria-busy={useContext(Sending) || undefined} {...props} />
}
