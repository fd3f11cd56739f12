import { Box, Switch, Text } from '@chakra-ui/react'

/** A labelled switch with its state in words beside it. */
export function OnOff(props: { label: string; name: string; on: boolean; set: (on: boolean) => void }) {
  const { label, name, on, set } = props
  return (
    <Box>
      <Text fontSize="13px" color="quiet">
        {label}
      </Text>
      <Switch.Root
        h={{ base: '38px', md: '30px' }}
        checked={on}
        onCheckedChange={({ checked }) => set(checked)}
      >
        <Switch.HiddenInput aria-label={name} />
        <Switch.Control bg={on ? 'spruce' : 'quiet'} />
        <Switch.Label fontWeight="400">{on ? 'on' : 'off'}</Switch.Label>
      </Switch.Root>
    </Box>
  )
}
