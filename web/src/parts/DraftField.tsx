import { Input } from '@chakra-ui/react'
import { useLayoutEffect, useRef } from 'react'
import { useLooking } from '../state/looking'
import { type FieldKind, fieldLook, Labelled, typing } from './Labelled'
import { useDraft } from './useDraft'

/**
 * A field that is typed into and then put in force by Enter or by leaving it. What the server refuses stays in the field with
 * the reason under it; Escape brings back what holds.
 */
export function DraftField(props: {
  label: string
  /** What the draft is kept under where the label alone would not tell two fields apart. */
  name?: string
  value: string
  width?: string
  mono?: boolean
  kind?: FieldKind
  placeholder?: string
  /** What is typed would come to this. */
  hint?: string
  /** Told what stands there while it is typed, and null when the field is left. */
  onType?: (text: string | null) => void
  /** Of a field in a row of many: Enter goes on to the next row as well. */
  goOn?: (from: HTMLElement) => void
  commit: (text: string) => Promise<string | undefined>
}) {
  const {
    label,
    name = label,
    value,
    width = '170px',
    mono,
    kind = mono ? 'name' : 'words',
    placeholder,
  } = props
  const draft = useDraft(name, value, props.commit)
  const { looksOnly } = useLooking()
  const input = useRef<HTMLInputElement>(null)
  const isAllMarked = useRef(false)
  useLayoutEffect(() => {
    // Gone to by Tab it is all marked, to be typed over; an answer that comes before the first letter must not leave it unmarked.
    const field = input.current
    if (field && field === document.activeElement && isAllMarked.current && !draft.isTyped()) field.select()
  }, [value])
  return (
    <Labelled label={label} width={width} problem={draft.problem} hint={props.hint}>
      <Input
        ref={input}
        onSelect={({ currentTarget: { value: text, selectionStart, selectionEnd } }) => {
          isAllMarked.current = text !== '' && selectionStart === 0 && selectionEnd === text.length
        }}
        size="sm"
        {...fieldLook}
        {...typing[kind]}
        borderColor={draft.problem ? 'brick' : 'quiet'}
        fontFamily={mono ? 'mono' : 'body'}
        dir="auto"
        placeholder={placeholder}
        readOnly={looksOnly}
        value={draft.text}
        onChange={(event) => {
          draft.type(event.target.value)
          props.onType?.(event.target.value)
        }}
        onBlur={() => {
          props.onType?.(null)
          void draft.put()
        }}
        onKeyDown={(event) => {
          if (event.key === 'Enter' && !event.repeat) {
            // Leaving the field puts it in force.
            if (props.goOn) props.goOn(event.currentTarget)
            else void draft.put()
          }
          if (event.key === 'Escape' && draft.isTyped()) {
            // What is typed goes first; the next Escape closes the panel.
            event.stopPropagation()
            draft.drop()
          }
        }}
      />
    </Labelled>
  )
}
