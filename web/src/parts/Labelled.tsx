import { Field } from '@chakra-ui/react'
import type { ReactNode } from 'react'

/** A field with its name above it and what is wrong below it; pressing the name goes to the field. */
export function Labelled(props: {
  label: string
  width: string
  problem?: string
  hint?: string
  /** Its name is heard and not seen. */
  bare?: boolean
  children: ReactNode
}) {
  const { label, width, problem, hint, bare, children } = props
  return (
    <Field.Root w={width} maxW="100%" gap="0" invalid={problem !== undefined} alignItems="stretch">
      <Field.Label textStyle="note" fontWeight="400" srOnly={bare}>
        {label}
      </Field.Label>
      {children}
      {hint && !problem && (
        <Field.HelperText textStyle="note" mt="2px">
          {hint}
        </Field.HelperText>
      )}
      <Field.ErrorText color="brick" fontSize="note" mt="2px" role="alert">
        {problem}
      </Field.ErrorText>
    </Field.Root>
  )
}

/** How every field to type or choose in looks. On a phone 16 px: below that it would zoom the page. */
export const fieldLook = {
  h: 'auto',
  minH: 'field',
  px: '8px',
  bg: 'paper',
  borderColor: 'quiet',
  borderRadius: '4px',
  fontSize: { base: '16px', md: '15px' },
} as const

export type FieldKind = 'words' | 'address' | 'number' | 'name'

/** What a keyboard on a screen should offer: no capitals and no mending where a letter counts, digits where only they go. */
export const typing: Record<FieldKind, object> = {
  words: { autoCapitalize: 'sentences', spellCheck: true, autoComplete: 'off' },
  name: { autoCapitalize: 'none', autoCorrect: 'off', spellCheck: false, autoComplete: 'off' },
  address: {
    inputMode: 'decimal',
    autoCapitalize: 'none',
    autoCorrect: 'off',
    spellCheck: false,
    autoComplete: 'off',
  },
  number: {
    inputMode: 'numeric',
    autoCapitalize: 'none',
    autoCorrect: 'off',
    spellCheck: false,
    autoComplete: 'off',
  },
}
