import { Box, Switch, Text } from '@chakra-ui/react'
import { useLooking } from '../state/looking'
import { useBusy } from './useBusy'

/** A labelled switch with its state in words beside it. */
export function OnOff(props: { label: string; name: string; on: boolean; set: (on: boolean) => unknown }) {
  const { label, name, on, set } = props
  const { busy, run } = useBusy()
  const { looksOnly } = useLooking()
  return (
    <Box>
      <Text textStyle="note">{label}</Text>
      <Switch.Root
        minH="field"
        checked={on}
        disabled={looksOnly}
        onCheckedChange={({ checked }) => void run(() => set(checked))}
        aria-busy={busy || undefined}
      >
        <Switch.HiddenInput aria-label={name} />
        <Switch.Control bg={on ? 'spruce' : 'quiet'} />
        <Switch.Label fontWeight="400">{on ? 'on' : 'off'}</Switch.Label>
      </Switch.Root>
    </Box>
  )
}
