import { Checkbox } from '@chakra-ui/react'
import { useLooking } from '../state/looking'
import { useBusy } from './useBusy'

/** Yes or no, put in force when it is pressed. */
export function Toggle({ label, on, set }: { label: string; on: boolean; set: (on: boolean) => unknown }) {
  const { busy, run } = useBusy()
  const { looksOnly } = useLooking()
  return (
    <Checkbox.Root
      checked={on}
      disabled={looksOnly}
      onCheckedChange={(change) => void run(() => set(change.checked === true))}
      minH="field"
      aria-busy={busy || undefined}
    >
      <Checkbox.HiddenInput />
      <Checkbox.Control borderColor="quiet" />
      <Checkbox.Label fontWeight="400">{label}</Checkbox.Label>
    </Checkbox.Root>
  )
}
