import { Box, Flex, Input, Switch, Text } from '@chakra-ui/react'
import { useState } from 'react'
import { fieldLook } from '../parts/Labelled'
import { Press } from '../parts/Press'
import { Problem } from '../parts/Problem'
import { Sheet } from '../parts/Sheet'
import { keyFor, type Shortcut, shortcuts, useShortcuts } from '../state/shortcuts'
import { stages } from './stages'

const fixed: [string, string][] = [
  [`1 – ${stages.length}`, stages.map((one) => one.name).join(', ')],
  ['Ctrl+Z, Ctrl+Shift+Z', 'undo, redo'],
  ['↑ ↓ → ←', 'on the Stairs: along the boxes and things, into a box’s sockets and out again'],
  ['Enter', 'opens what has the focus; in a field it puts what was typed in force'],
  ['Esc', 'drops what is typed, puts down what is in the hand, closes the panel'],
]

export function KeysSheet({ onClose }: { onClose: () => void }) {
  const { on, own, turn, change, asShipped } = useShortcuts()
  const [problem, setProblem] = useState<string>()
  const names = Object.keys(shortcuts) as Shortcut[]
  const take = (what: Shortcut, key: string) => {
    if (key === '') return
    const other = names.find((one) => one !== what && keyFor(own, one) === key)
    if (/[1-9]/.test(key)) return setProblem(`${key} is the key of a stage. Take another.`)
    if (other) return setProblem(`${key} is the key for “${shortcuts[other].say}”. Change that one first.`)
    setProblem(undefined)
    change(what, key)
  }
  return (
    <Sheet title="Keys" open onClose={onClose}>
      <Switch.Root checked={on} onCheckedChange={({ checked }) => turn(checked)} minH="press" mb="8px">
        <Switch.HiddenInput />
        <Switch.Control bg={on ? 'spruce' : 'quiet'} />
        <Switch.Label fontWeight="400">Single keys act. None does while you type in a field.</Switch.Label>
      </Switch.Root>
      <Problem mb="8px">{problem}</Problem>
      <Box as="ul" listStyleType="none">
        {names.map((what) => (
          <Flex as="li" key={what} gap="12px" align="center" py="2px" opacity={on ? 1 : 0.5}>
            <Input
              aria-label={`Key for: ${shortcuts[what].say}`}
              {...fieldLook}
              w="44px"
              textAlign="center"
              fontFamily="mono"
              fontWeight="700"
              color="spruce"
              maxLength={2}
              autoCapitalize="none"
              autoComplete="off"
              disabled={!on}
              value={keyFor(own, what)}
              onFocus={(event) => event.target.select()}
              onChange={(event) => take(what, event.target.value.slice(-1).trim())}
            />
            <Text>{shortcuts[what].say}</Text>
          </Flex>
        ))}
      </Box>
      <Press mt="6px" onClick={asShipped} disabled={Object.keys(own).length === 0}>
        Keys as shipped
      </Press>
      <Box as="dl" mt="14px" display="grid" gridTemplateColumns="minmax(90px, auto) 1fr" gap="4px 12px">
        {fixed.map(([key, what]) => (
          <Box key={key} display="contents">
            <Text as="dt" fontFamily="mono" fontWeight="700">
              {key}
            </Text>
            <Text as="dd">{what}</Text>
          </Box>
        ))}
      </Box>
    </Sheet>
  )
}
