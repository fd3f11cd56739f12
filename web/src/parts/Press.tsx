import { chakra, type HTMLChakraProps, useRecipe } from '@chakra-ui/react'
import type { KeyboardEvent, MouseEvent } from 'react'
import { useBusy } from './useBusy'

type Kind = 'main' | 'other' | 'plain' | 'danger' | 'inverse'

type Props = Omit<HTMLChakraProps<'button'>, 'onClick'> & {
  kind?: Kind
  /** May return a promise: until it is settled the button is busy and takes no second press. */
  onClick?: (event: MouseEvent<HTMLButtonElement>) => unknown
}

/** A button. A key that is held down presses it once. */
export function Press({ kind = 'other', onClick, children, ...props }: Props) {
  const recipe = useRecipe({ key: 'press' })
  const { busy, run } = useBusy()
  return (
    <chakra.button
      type="button"
      className="press"
      css={recipe({ kind })}
      aria-busy={busy || undefined}
      onKeyDown={(event: KeyboardEvent) => {
        if (event.repeat && (event.key === 'Enter' || event.key === ' ')) event.preventDefault()
      }}
      onClick={(event: MouseEvent<HTMLButtonElement>) => void run(() => onClick?.(event))}
      {...props}
    >
      {children}
    </chakra.button>
  )
}
