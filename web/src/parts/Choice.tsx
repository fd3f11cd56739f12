import { NativeSelect } from '@chakra-ui/react'
import { useId } from 'react'
import { fieldLook, Labelled } from './Labelled'

/** A labelled list to choose one from; the platform's own, so that a phone shows its wheel. */
export function Choice<T extends string>(props: {
  label: string
  value: T
  options: { value: T; label: string; disabled?: boolean }[]
  width?: string
  onChange: (value: T) => void
}) {
  const { label, value, options, width = '170px', onChange } = props
  const id = useId()
  return (
    <Labelled label={label} id={id} width={width}>
      <NativeSelect.Root size="sm">
        <NativeSelect.Field
          id={id}
          {...fieldLook}
          value={value}
          onChange={(event) => onChange(event.target.value as T)}
        >
          {options.map((option) => (
            <option key={option.value} value={option.value} disabled={option.disabled}>
              {option.label}
            </option>
          ))}
        </NativeSelect.Field>
        <NativeSelect.Indicator />
      </NativeSelect.Root>
    </Labelled>
  )
}
