import { Box, Flex, Heading, Text, Textarea } from '@chakra-ui/react'
import { useQuery } from '@tanstack/react-query'
import { useDeferredValue, useState } from 'react'
import { paste as pasteQuery } from '../../api/queries'
import type { Paste, Proposal } from '../../api/types'
import { useJob, useTools } from '../../layout/JobContext'
import { FilePick } from '../../parts/FilePick'
import { fieldLook, typing } from '../../parts/Labelled'
import { Press } from '../../parts/Press'
import { Problem } from '../../parts/Problem'
import { count } from '../../parts/words'
import { say } from '../../state/notices'
import { usePasted, usePastes } from '../../state/pastes'
import { PastedLines } from './PastedLines'
import { ProposalCard } from './ProposalCard'
import { renamed } from './renamed'

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
      {!isEmpty && data && <Read paste={data} isStale={isFetching || settled !== text} />}
    </Box>
  )
}

function Read({ paste, isStale }: { paste: Paste; isStale: boolean }) {
  const { act } = useTools()
  const [names, setNames] = useState<Record<string, string>>({})
  const [notOurs, setNotOurs] = useState<string[]>([])
  const [problem, setProblem] = useState<string>()
  const open = paste.proposals.filter((one) => !notOurs.includes(one.key))
  const takeIn = async (list: Proposal[]) => {
    const failed = await act(
      list.flatMap((one) => renamed(one, names[one.key])),
      list.length === 1
        ? `From a paste: ${names[list[0].key] ?? list[0].title}`
        : `Take ${list.length} entries from a paste`,
    )
    setProblem(failed?.message)
    if (!failed)
      say(
        list.length === 1
          ? `Taken: ${names[list[0].key] ?? list[0].title}`
          : `${list.length} taken into the house`,
      )
  }
  if (paste.parts.length === 0)
    return (
      <Box role="status">
        <Text fontWeight="650" mb="4px">
          Nothing in it is recognised.
        </Text>
        <Text textStyle="small" color="quiet">
          What can be read: on Windows ipconfig /all, arp -a, tracert, ping, netsh wlan show networks
          mode=bssid; on Linux ip addr, ip route, ip neigh, nmcli; on a Mac ifconfig, netstat -rn, arp -a; a
          router’s list of devices with its headings.
        </Text>
      </Box>
    )
  const things = open.filter((one) => one.isThing).length
  const corrections = open.filter((one) => !one.isThing)
  return (
    <Box opacity={isStale ? 0.6 : 1} aria-busy={isStale || undefined}>
      <Heading as="h3" textStyle="section" mb="4px">
        {[...new Set(paste.parts.map((part) => part.says))].join('; ')}
        <Text as="span" color="quiet" fontWeight="400">
          {' '}
          · {count(paste.lineCount, 'line')}
          {paste.lineCount > paste.lines.length && `, the first ${paste.lines.length} shown`}
        </Text>
      </Heading>
      <PastedLines lines={paste.lines} />
      {[...new Set(paste.parts.flatMap((part) => (part.cannot ? [part.cannot] : [])))].map((cannot) => (
        <Text key={cannot} textStyle="note" mt="4px">
          {cannot} Who is missing here may be there all the same.
        </Text>
      ))}
      {paste.meanings.map((meaning) => (
        <Text key={meaning} mt="8px" fontWeight="650">
          {meaning}
        </Text>
      ))}
      {open.length > 0 ? (
        <>
          <Flex gap="10px" align="center" mt="10px" wrap="wrap">
            <Press kind="main" onClick={() => takeIn(open)}>
              Take all into the house
            </Press>
            {things > 0 && corrections.length > 0 && (
              <Press
                title="For while not every box is in the house: a line may be one of them."
                onClick={() => takeIn(corrections)}
              >
                Only the {count(corrections.length, 'correction')}
              </Press>
            )}
            <Text color="quiet">
              {[
                things ? count(things, 'new thing') : '',
                open.length - things ? count(open.length - things, 'correction') : '',
              ]
                .filter(Boolean)
                .join(', ')}
            </Text>
          </Flex>
          <Problem mt="8px">{problem}</Problem>
          <Box
            as="ul"
            listStyleType="none"
            display="grid"
            gap="12px"
            gridTemplateColumns={{ base: '1fr', sm: 'repeat(auto-fill, minmax(230px, 1fr))' }}
            mt="12px"
          >
            {open.map((one) => (
              <ProposalCard
                key={one.key}
                proposal={one}
                name={names[one.key]}
                rename={(name) => setNames((now) => ({ ...now, [one.key]: name }))}
                take={() => takeIn([one])}
                leave={() => setNotOurs((now) => [...now, one.key])}
              />
            ))}
          </Box>
        </>
      ) : (
        <Text mt="10px" color="quiet">
          All of it is in the house already, or says nothing that belongs there.
        </Text>
      )}
    </Box>
  )
}
