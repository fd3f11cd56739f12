import { NativeSelect } from '@chakra-ui/react'
import { useRef, useState } from 'react'
import { useLooking } from '../state/looking'
import { fieldLook, Labelled } from './Labelled'

type Option<T> = { value: T; label: string; disabled?: boolean; group?: string }

type Props<T extends string> = {
  label: string
  value: T
  options: Option<T>[]
  width?: string
}

/** A labelled list to choose one from; the platform's own, so that a phone shows its wheel. For forms that are sent as a whole. */
export function Choice<T extends string>({
  onChange,
  ...props
}: Props<T> & { onChange: (value: T) => void }) {
  return <List {...props} events={{ onChange: (event) => onChange(event.target.value as T) }} />
}

/**
 * The same where the choice changes the house. Going through the list by key chooses nothing yet: Enter puts it in force, or leaving it;
 * Escape goes back to what holds. A press on an entry of the open list is meant as it is.
 */
export function DraftChoice<T extends string>({
  commit,
  ...props
}: Props<T> & { commit: (value: T) => unknown }) {
  const [passed, setPassed] = useState<T | null>(null)
  const byKey = useRef(false)
  const { looksOnly } = useLooking()
  const put = (to: T | null) => {
    setPassed(null)
    if (to !== null && to !== props.value) void commit(to)
  }
  return (
    <List
      {...props}
      value={passed ?? props.value}
      disabled={looksOnly}
      hint={passed !== null && passed !== props.value ? 'Enter sets it, Esc leaves it.' : undefined}
      events={{
        onPointerDown: () => {
          byKey.current = false
        },
        onChange: (event) => {
          const to = event.target.value as T
          if (byKey.current) setPassed(to)
          else put(to)
        },
        onBlur: () => put(passed),
        onKeyDown: (event) => {
          byKey.current = true
          if (event.key === 'Enter' && passed !== null) {
            event.preventDefault()
            put(passed)
          }
          if (event.key === 'Escape' && passed !== null) {
            event.stopPropagation()
            setPassed(null)
          }
        },
      }}
    />
  )
}

function List<T extends string>(
  props: Props<T> & { hint?: string; disabled?: boolean; events: React.ComponentProps<'select'> },
) {
  const { label, value, options, width = '170px', hint, disabled, events } = props
  return (
    <Labelled label={label} width={width} hint={hint}>
      <NativeSelect.Root size="sm" disabled={disabled}>
        <NativeSelect.Field {...fieldLook} value={value} disabled={disabled} {...events}>
          {grouped(options).map(([group, list]) =>
            group ? (
              <optgroup key={group} label={group}>
                {list.map(entry)}
              </optgroup>
            ) : (
              list.map(entry)
            ),
          )}
        </NativeSelect.Field>
        <NativeSelect.Indicator />
      </NativeSelect.Root>
    </Labelled>
  )
}

const entry = <T extends string>(option: Option<T>) => (
  <option key={option.value} value={option.value} disabled={option.disabled}>
    {option.label}
  </option>
)

/** Neighbours of one group together, in the order they come. */
function grouped<T>(options: Option<T>[]): [string, Option<T>[]][] {
  const groups: [string, Option<T>[]][] = []
  for (const option of options) {
    const last = groups.at(-1)
    if (last && last[0] === (option.group ?? '')) last[1].push(option)
    else groups.push([option.group ?? '', [option]])
  }
  return groups
}
