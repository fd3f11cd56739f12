import { Box, Input, Text } from '@chakra-ui/react'
import { useMemo, useState } from 'react'
import { useMatch } from 'react-router'
import { AddressText } from '../parts/AddressText'
import { cardOf, focusOn } from '../parts/focusOn'
import { fieldLook, typing } from '../parts/Labelled'
import { Sheet } from '../parts/Sheet'
import { count } from '../parts/words'
import { useJob } from './JobContext'
import { usePlace } from './usePlace'

const mostShown = 12

/** Boxes and things by name, room, MAC or address. */
export function FindSheet({ onClose }: { onClose: () => void }) {
  return (
    <Sheet title="Find" open onClose={onClose}>
      <Finder />
    </Sheet>
  )
}

function Finder() {
  const { house } = useJob()
  const { turn } = usePlace()
  const [text, setText] = useState('')
  const all = useMemo(() => {
    const addresses = (id: string) =>
      house.interfaces.filter((i) => i.owner === id).flatMap((i) => i.candidates.map((c) => c.says ?? ''))
    const of = (one: { id: string; name: string; room?: string | null; mac?: string | null }) => ({
      id: one.id,
      name: one.name,
      hint: [...addresses(one.id)].filter(Boolean).join(', '),
      words: [one.name, one.room, one.mac, one.id, ...addresses(one.id)].join(' ').toLowerCase(),
    })
    return [...(house.document.devices ?? []).map(of), ...(house.document.endpoints ?? []).map(of)]
  }, [house])
  const hits = all.filter((one) => one.words.includes(text.trim().toLowerCase()))
  const shown = hits.slice(0, mostShown)
  const walks = useMatch('/job/:id/visit') !== null
  const take = (id: string) => {
    const isBox = house.document.devices?.some((one) => one.id === id)
    const stop = !isBox ? 'things' : id === house.document.line?.device ? 'gateway' : `box:${id}`
    turn({ open: null, tab: null, ...(walks ? { step: stop } : { box: id }) })
    // Where the work goes on: at its stop of the walk, or at its card.
    focusOn(walks ? '[data-stop]' : cardOf(id))
  }
  return (
    <>
      <Input
        autoFocus
        aria-label="Name, room, MAC or address"
        placeholder="Name, room, MAC or address"
        {...fieldLook}
        {...typing.name}
        value={text}
        onChange={(event) => setText(event.target.value)}
        onKeyDown={(event) => event.key === 'Enter' && hits[0] && take(hits[0].id)}
      />
      <Box as="ul" listStyleType="none" mt="8px">
        {shown.map((hit) => (
          <li key={hit.id}>
            <Box
              as="button"
              onClick={() => take(hit.id)}
              w="100%"
              minH="press"
              textAlign="left"
              py="6px"
              px="8px"
              overflowWrap="anywhere"
              dir="auto"
              _hover={{ bg: 'spruceWash' }}
            >
              {hit.name} <AddressText color="quiet">{hit.hint}</AddressText>
            </Box>
          </li>
        ))}
      </Box>
      <Text color="quiet" role="status" px="8px">
        {hits.length === 0
          ? 'Nothing here is called that.'
          : hits.length > mostShown
            ? `${count(hits.length - mostShown, 'more thing')} of that name or address: write a little more.`
            : ''}
      </Text>
    </>
  )
}
