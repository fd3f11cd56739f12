import { Checkbox, Flex } from '@chakra-ui/react'
import type { KitView } from '../../api/types'
import { Choice } from '../../parts/Choice'

/** What a box on the table is meant to be: a mode, the router of the house, or whatever is best (''); null: nobody has chosen. */
export type Meant = { part: string | null; used: boolean; cable: '' | 'ethernet' | 'powerline' | 'coax' }

export const notMeant: Meant = { part: null, used: false, cable: '' }

export const mainRouter = 'main-router'

/** What is known of a box that was brought and lies on the table: what it is meant to be, and whether it has a past. */
/** @param from The room from which a cable to its room may come; nothing where there is no such question. */
export function MeantFields(props: {
  kind: KitView
  meant: Meant
  from: string | null
  set: (change: Partial<Meant>) => void
}) {
  const { kind, meant, from, set } = props
  const parts = kind.parts.map((one) => ({ value: one.part, label: one.say }))
  return (
    <Flex gap="10px" wrap="wrap" align="end">
      {parts.length > 2 && (
        <Choice
          label="It is meant to be"
          width="48%"
          value={meant.part ?? ''}
          options={parts}
          onChange={(part) => set({ part })}
        />
      )}
      {from && (
        <Choice
          label={`A cable there from ${from}`}
          width="48%"
          value={meant.cable}
          options={[
            { value: '', label: 'none that is known' },
            { value: 'ethernet', label: 'a data cable lies there' },
            { value: 'powerline', label: 'over the mains (powerline)' },
            { value: 'coax', label: 'an aerial cable lies there' },
          ]}
          onChange={(cable) => set({ cable })}
        />
      )}
      <Checkbox.Root checked={meant.used} onCheckedChange={({ checked }) => set({ used: checked === true })}>
        <Checkbox.HiddenInput />
        <Checkbox.Control data-used />
        <Checkbox.Label>It has been used before</Checkbox.Label>
      </Checkbox.Root>
    </Flex>
  )
}
