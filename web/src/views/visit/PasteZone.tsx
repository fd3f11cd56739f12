import { Box, Flex, Text, Textarea } from '@chakra-ui/react'
import { useQuery } from '@tanstack/react-query'
import { useDeferredValue } from 'react'
import { paste as pasteQuery } from '../../api/queries'
import { useJob } from '../../layout/JobContext'
import { FilePick } from '../../parts/FilePick'
import { fieldLook, typing } from '../../parts/Labelled'
import { Press } from '../../parts/Press'
import { Problem } from '../../parts/Problem'
import { count } from '../../parts/words'
import { say } from '../../state/notices'
import { usePasted, usePastes } from '../../state/pastes'
import { ReadPaste } from './ReadPaste'

/** The one place where whatever a laptop, a phone or a settings page shows is put: it is read line by line, and nothing is taken without a look. */
export function PasteZone({ compact }: { compact?: boolean }) {
  const { job } = useJob()
  const { text, before } = usePasted(job.id)
  const set = usePastes((store) => store.set)
  const settled = useDeferredValue(text)
  const { data, error, isFetching } = useQuery({
    ...pasteQuery(job.id, job.version, settled, before || undefined),
    enabled: settled.trim() !== '',
    placeholderData: (old) => old,
  })
  const take = async (from: File) => {
    if (from.size > 4 << 20) return say(`${from.name} has more than 4 MB: that is no list.`, 'problem')
    const more = await from.text()
    // Of two files the second goes on from what the first has left.
    const now = usePastes.getState().kept[job.id]?.text ?? ''
    set(job.id, { text: (now.trim() ? `${now.trimEnd()}\n` : '') + more })
  }
  const isEmpty = text.trim() === ''
  return (
    <Box
      onDragOver={(event) => event.preventDefault()}
      onDrop={(event) => {
        event.preventDefault()
        for (const one of event.dataTransfer.files) void take(one)
      }}
    >
      <Textarea
        aria-label="Paste here"
        placeholder="Paste or drop anything the laptop, the phone or a settings page shows: addresses, neighbours, ping, Wi-Fi around, a list of devices."
        rows={isEmpty && !compact ? 4 : 3}
        {...fieldLook}
        {...typing.name}
        borderStyle="dashed"
        py="8px"
        fontFamily="mono"
        fontSize={{ base: '16px', md: '14px' }}
        // What tools print runs from left to right; to find that out of thousands of lines takes the browser ten seconds and more.
        dir="ltr"
        value={text}
        onChange={(event) => set(job.id, { text: event.target.value })}
      />
      <Flex gap="4px 12px" wrap="wrap" align="center" mt="6px" mb="10px">
        <FilePick label="Text file to read" multiple take={take}>
          Choose a file
        </FilePick>
        {!isEmpty && (
          <>
            <Press onClick={() => set(job.id, { before: text, text: '' })}>Keep it as the list before</Press>
            <Press kind="plain" onClick={() => set(job.id, { text: '' })}>
              put it away
            </Press>
          </>
        )}
        {before && (
          <Text fontSize="small">
            A list of {count(before.trim().split('\n').length, 'line')} is kept as the one before: plug the
            box in and paste again. The one that came is the box.{' '}
            <Press kind="plain" onClick={() => set(job.id, { before: '' })}>
              forget it
            </Press>
          </Text>
        )}
        {!before && isEmpty && !compact && (
          <Text textStyle="note">
            Before and after: paste the list, keep it as the one before, plug the box in, paste again. The one
            that came is the box.
          </Text>
        )}
      </Flex>
      <Problem mb="8px">{error?.message}</Problem>
      {!isEmpty && data && (
        <ReadPaste from="From a paste" paste={data} isStale={isFetching || settled !== text} />
      )}
    </Box>
  )
}
