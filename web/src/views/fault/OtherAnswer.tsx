import { Box, Flex, Text, Textarea } from '@chakra-ui/react'
import { useState } from 'react'
import { pasteSeen } from '../../api/queries'
import type { LookView, SeenEntry, SeenView } from '../../api/types'
import { useJob } from '../../layout/JobContext'
import { Choice } from '../../parts/Choice'
import { PlainField } from '../../parts/PlainField'
import { Press } from '../../parts/Press'
import { Problem } from '../../parts/Problem'

const typed = ['address', 'gateway', 'server', 'dns', 'wan-address', 'laptop']

/** Something else than any of the answers: typed, chosen, or what a terminal showed. */
export function OtherAnswer({
  look,
  onSeen,
}: {
  look: LookView
  onSeen: (seen: SeenEntry[]) => Promise<boolean>
}) {
  const { job, house } = useJob()
  const [text, setText] = useState('')
  const [read, setRead] = useState<SeenView[] | null>(null)
  const [problem, setProblem] = useState<string>()
  const entry = look.look as SeenEntry
  const isPaste = look.reading === 'laptop'
  const boxes = (house.document.devices ?? []).map((box) => ({
    value: box.id,
    label: `the page of ${box.name}`,
  }))
  const choices =
    look.reading === 'page'
      ? [
          ...boxes,
          { value: 'nobody', label: 'nobody answers' },
          { value: 'other', label: 'a page of none of these boxes' },
        ]
      : null

  const send = async () => {
    setProblem(undefined)
    if (!isPaste) return void (await onSeen([{ ...entry, value: text.trim() }]))
    try {
      const seen = await pasteSeen(job.id, text, entry.from)
      if (seen.length === 0)
        setProblem(
          'Nothing in it says what a laptop shows. Paste what ipconfig, ip addr, ifconfig or ping printed.',
        )
      setRead(seen)
    } catch (refused) {
      setProblem(refused instanceof Error ? refused.message : 'That did not work.')
    }
  }
  if (choices)
    return (
      <Flex mt="10px" gap="10px" align="end" wrap="wrap">
        <Choice
          label="What it shows"
          width="300px"
          value={text || choices[0].value}
          onChange={setText}
          options={choices}
        />
        <Press minH="40px" onClick={() => onSeen([{ ...entry, value: text || choices[0].value }])}>
          That is what I see
        </Press>
      </Flex>
    )
  if (!typed.includes(look.reading))
    return (
      <Text mt="10px" fontSize="small">
        There is no other answer to this. Check once more, or choose another check.
      </Text>
    )
  return (
    <Box mt="10px">
      {isPaste ? (
        <Textarea
          aria-label="What the terminal printed"
          placeholder="What ipconfig, ip addr, ifconfig or ping printed"
          rows={5}
          bg="sheet"
          borderColor="quiet"
          borderRadius="4px"
          fontFamily="mono"
          fontSize={{ base: '16px', md: '14px' }}
          value={text}
          onChange={(event) => setText(event.target.value)}
        />
      ) : (
        <PlainField
          label="What it shows: an address, or none"
          width="300px"
          value={text}
          onChange={setText}
          mono
        />
      )}
      <Problem mt="6px">{problem}</Problem>
      {read && read.length > 0 ? (
        <Box mt="8px">
          <Box as="ul" pl="18px" listStyleType="disc">
            {read.map((one) => (
              <li key={one.says}>{one.says}</li>
            ))}
          </Box>
          <Press mt="8px" minH="40px" onClick={() => onSeen(read.map((one) => one.seen as SeenEntry))}>
            Take this in
          </Press>
        </Box>
      ) : (
        <Press mt="8px" minH="40px" disabled={!text.trim()} onClick={send}>
          {isPaste ? 'Read it' : 'That is what I see'}
        </Press>
      )}
    </Box>
  )
}
