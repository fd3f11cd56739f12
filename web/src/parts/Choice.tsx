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
  /** One of many lists on a page: what else there is to choose is drawn when somebody comes near. */
  isOneOfMany?: boolean
  /** Its name is heard and not seen: what stands beside it says it. */
  bare?: boolean
}

/** A labelled list to choose one from; the platform's own, so that a phone shows its wheel. For forms that are sent as a whole. */
export function Choice<T extends string>({
  onChange,
  ...props
}: Props<T> & { onChange: (value: T) => void }) {
  return (
    <List
      {...props}
      events={{
        onChange: (event) => onChange(event.target.value as T),
        onKeyDown: (event) => {
          // As in any field of the form: what is chosen is sent.
          const form = event.currentTarget.form
          if (event.key !== 'Enter' || event.repeat || !form) return
          event.preventDefault()
          form.requestSubmit()
        },
      }}
    />
  )
}

/**
 * The same where the choice changes the house. Going through the list by key chooses nothing yet: Enter puts it in force, or leaving it;
 * Escape goes back to what holds. A press on an entry of the open list is meant as it is.
 */
export function DraftChoice<T extends string>({
  commit,
  goOn,
  ...props
}: Props<T> & {
  commit: (value: T) => unknown
  /** Of a list in a row of many: Enter goes on to the next row as well. */
  goOn?: (from: HTMLElement) => void
}) {
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
      hint={!goOn && passed !== null && passed !== props.value ? 'Enter sets it, Esc leaves it.' : undefined}
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
          if (event.key === 'Enter' && (passed !== null || goOn)) {
            event.preventDefault()
            if (event.repeat) return
            put(passed)
            goOn?.(event.currentTarget)
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
  const { label, value, width = '170px', hint, disabled, events, isOneOfMany = false } = props
  const [isNear, setNear] = useState(!isOneOfMany)
  const come = () => setNear(true)
  const options = isNear ? props.options : props.options.filter((one) => one.value === value)
  return (
    <Labelled label={label} width={width} hint={hint} bare={props.bare}>
      <NativeSelect.Root size="sm" disabled={disabled}>
        <NativeSelect.Field
          {...fieldLook}
          value={value}
          disabled={disabled}
          {...events}
          onFocus={come}
          onPointerEnter={come}
        >
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
