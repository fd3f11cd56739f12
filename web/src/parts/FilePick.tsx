import { type InputHTMLAttributes, useRef } from 'react'
import { Press } from './Press'

/** A button that asks for a file; the same one can be chosen again. */
export function FilePick(props: {
  children: string
  label: string
  accept?: string
  multiple?: boolean
  capture?: InputHTMLAttributes<HTMLInputElement>['capture']
  take: (file: File) => unknown
}) {
  const { children, label, take, ...kind } = props
  const input = useRef<HTMLInputElement>(null)
  return (
    <>
      <Press onClick={() => input.current?.click()}>{children}</Press>
      <input
        ref={input}
        type="file"
        hidden
        aria-label={label}
        {...kind}
        onChange={(event) => {
          // Kept before the field is emptied, which empties its list too.
          const chosen = [...(event.target.files ?? [])]
          event.target.value = ''
          for (const file of chosen) void take(file)
        }}
      />
    </>
  )
}
