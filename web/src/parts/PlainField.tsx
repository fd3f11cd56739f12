import { Input } from '@chakra-ui/react'
import { useId } from 'react'
import { type FieldKind, fieldLook, Labelled, typing } from './Labelled'

/** A labelled field of a form that is sent as a whole. */
export function PlainField(props: {
  label: string
  value: string
  width?: string
  mono?: boolean
  kind?: FieldKind
  placeholder?: string
  problem?: string
  /** What happens where it stays empty, or how it is written. */
  hint?: string
  /** Offered while typing; anything else may be written. */
  options?: string[]
  onChange: (text: string) => void
}) {
  const {
    label,
    value,
    width = '170px',
    mono,
    kind = mono ? 'name' : 'words',
    options = [],
    onChange,
  } = props
  const list = useId()
  return (
    <Labelled label={label} width={width} problem={props.problem} hint={props.hint}>
      <Input
        size="sm"
        {...fieldLook}
        {...typing[kind]}
        fontFamily={mono ? 'mono' : 'body'}
        dir="auto"
        placeholder={props.placeholder}
        list={options.length > 0 ? list : undefined}
        value={value}
        onChange={(event) => onChange(event.target.value)}
      />
      {options.length > 0 && (
        <datalist id={list}>
          {options.map((one) => (
            <option key={one} value={one} />
          ))}
        </datalist>
      )}
    </Labelled>
  )
}
