import { Box, Text } from '@chakra-ui/react'
import type { Action, OptionsView } from '../../api/types'
import { Press } from '../../parts/Press'

type Props = {
  conflict: OptionsView['conflicts'][number]
  giveUp: (need: string, want: string) => Promise<unknown>
  mend: (actions: Action[], words: string) => Promise<unknown>
}

/** Wants that no plan holds together: why, what would mend it, and each to be given up with a press. */
export function ConflictStrip({ conflict, giveUp, mend }: Props) {
  return (
    <Box
      as="details"
      border="1px dashed"
      borderColor="ochre"
      px="12px"
      py="6px"
      mt="10px"
      data-conflict={conflict.needs.join(' ')}
    >
      <Box as="summary" cursor="pointer" textStyle="small">
        <Text as="span" color="ochre" fontWeight="700">
          {conflict.wants.length === 1 ? 'Not to be had: ' : 'Not to be had together: '}
        </Text>
        {conflict.wants.map((want) => `“${want}”`).join(' and ')}
      </Box>
      <Text textStyle="small" color="quiet" mt="4px">
        {conflict.because}
      </Text>
      <Text textStyle="small" mt="2px">
        {conflict.mend}
      </Text>
      <Box mt="4px" display="flex" flexWrap="wrap" gap="4px 12px">
        {conflict.mendActions.length > 0 && (
          <Press onClick={() => mend(conflict.mendActions, conflict.mend)}>
            Note it in the house, and plan with it
          </Press>
        )}
        {conflict.needs.map((need, i) => (
          <Press key={need} kind="plain" onClick={() => giveUp(need, conflict.wants[i] ?? need)}>
            Give up “{conflict.wants[i]}”
          </Press>
        ))}
      </Box>
    </Box>
  )
}
