import { Box, Input, Text } from '@chakra-ui/react'
import { useMemo, useState } from 'react'
import { AddressText } from '../parts/AddressText'
import { Sheet } from '../parts/Sheet'
import { useJob, useTools } from './JobContext'

/** Boxes and things by name, room, MAC or address. */
export function FindSheet({ open, onClose }: { open: boolean; onClose: () => void }) {
  const { house } = useJob()
  const { select } = useTools()
  const [text, setText] = useState('')
  const all = useMemo(() => {
    const addresses = (id: string) =>
      house.interfaces.filter((i) => i.owner === id).flatMap((i) => i.candidates.map((c) => c.address ?? ''))
    const of = (one: { id: string; name: string; room?: string | null; mac?: string | null }) => ({
      id: one.id,
      name: one.name,
      hint: [...addresses(one.id)].filter(Boolean).join(', '),
      words: [one.name, one.room, one.mac, one.id, ...addresses(one.id)].join(' ').toLowerCase(),
    })
    return [...(house.document.devices ?? []).map(of), ...(house.document.endpoints ?? []).map(of)]
  }, [house])
  const hits = all.filter((one) => one.words.includes(text.trim().toLowerCase())).slice(0, 12)
  const take = (id: string) => {
    select(id)
    setText('')
    onClose()
  }
  return (
    <Sheet title="Find" open={open} onClose={onClose}>
      <Input
        autoFocus
        aria-label="Name, room, MAC or address"
        placeholder="Name, room, MAC or address"
        value={text}
        onChange={(event) => setText(event.target.value)}
        onKeyDown={(event) => event.key === 'Enter' && hits[0] && take(hits[0].id)}
      />
      <Box as="ul" listStyleType="none" mt="8px">
        {hits.map((hit) => (
          <li key={hit.id}>
            <Box
              as="button"
              onClick={() => take(hit.id)}
              w="100%"
              textAlign="left"
              py="6px"
              px="8px"
              _hover={{ bg: 'spruceWash' }}
            >
              {hit.name} <AddressText color="quiet">{hit.hint}</AddressText>
            </Box>
          </li>
        ))}
        {hits.length === 0 && <Text color="quiet">Nothing here is called that.</Text>}
      </Box>
    </Sheet>
  )
}
