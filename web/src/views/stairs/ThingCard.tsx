import { Box, Text } from '@chakra-ui/react'
import { memo } from 'react'
import type { Endpoint } from '../../api/types'
import { AddressText } from '../../parts/AddressText'
import { Edge, type Mark } from '../../parts/Edge'
import { useMarks } from '../../state/marks'
import { useCard } from './useCard'

export const ThingCard = memo(function ThingCard(props: {
  endpoint: Endpoint
  text: string
  isBad: boolean
  on: boolean
  mark?: Mark
  x: number
  y: number
  w: number
  h: number
}) {
  const { endpoint, text, isBad, on, mark, x, y, w, h } = props
  const press = useCard(endpoint.id, on, true)
  const isMarked = useMarks((store) => store.marked.includes(endpoint.id))
  return (
    <Box as="li" listStyleType="none" data-card>
      <Box
        as="button"
        tabIndex={-1}
        data-rove="card"
        position="absolute"
        style={{ left: x, top: y, width: w, height: h }}
        bg={isMarked ? 'spruceWash' : 'sheet'}
        border={isMarked ? '2.5px dashed' : '1.5px solid'}
        borderColor={isMarked ? 'spruce' : mark === 'fault' ? 'brick' : on ? 'spruce' : 'quiet'}
        outline={on ? '2px solid' : undefined}
        outlineColor="spruce"
        borderRadius="3px"
        textAlign="left"
        px="9px"
        display="flex"
        flexDirection="column"
        alignItems="flex-start"
        justifyContent="center"
        cursor="pointer"
        aria-pressed={on}
        data-thing={endpoint.id}
        onClick={press}
      >
        {mark && <Edge mark={mark} />}
        {mark && <span className="sr-only">{mark}: </span>}
        {isMarked && <span className="sr-only">marked: </span>}
        <Text
          fontWeight="650"
          fontSize="small"
          lineHeight="1.25"
          lineClamp={1}
          maxW="100%"
          overflowWrap="anywhere"
          dir="auto"
          title={endpoint.name}
        >
          {endpoint.name}
        </Text>
        <AddressText
          fontSize="note"
          display="block"
          lineHeight="1.25"
          color={isBad ? 'brick' : 'quiet'}
          lineClamp={1}
        >
          {text}
        </AddressText>
      </Box>
    </Box>
  )
})
