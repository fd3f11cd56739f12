import { createToaster } from '@chakra-ui/react'

/** Short messages that need no answer. A problem stays until it is put away; what was done goes by itself. */
export const toaster = createToaster({ placement: 'bottom', max: 3, pauseOnPageIdle: true })

export function say(text: string, kind: 'done' | 'problem' = 'done') {
  // Said twice in a row it is one message: a second one would only push others away.
  const id = `${kind} ${text}`
  if (toaster.isVisible(id)) return
  toaster.create({
    id,
    description: text,
    type: kind === 'problem' ? 'error' : 'info',
    duration: kind === 'problem' ? Number.POSITIVE_INFINITY : 4000,
    closable: kind === 'problem',
  })
}
