import { Input } from '@chakra-ui/react'
import { useId } from 'react'
import { fieldLook, Labelled } from './Labelled'

/** A labelled field of a form that is sent as a whole. */
export function PlainField(props: {
  label: string
  value: string
  width?: string
  mono?: boolean
  onChange: (text: string) => void
}) {
  const { label, value, width = '170px', mono, onChange } = props
  const id = useId()
  return (
    <Labelled label={label} id={id} width={width}>
      <Input
        id={id}
        size="sm"
        {...fieldLook}
        fontFamily={mono ? 'mono' : 'body'}
        autoComplete="off"
        spellCheck={false}
        value={value}
        onChange={(event) => onChange(event.target.value)}
      />
    </Labelled>
  )
}
