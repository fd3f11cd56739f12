import { Box, Flex, Heading, Text } from '@chakra-ui/react'
import { useState } from 'react'
import type { Paste, Proposal } from '../../api/types'
import { useTools } from '../../layout/JobContext'
import { Press } from '../../parts/Press'
import { Problem } from '../../parts/Problem'
import { count } from '../../parts/words'
import { say } from '../../state/notices'
import { PastedLines } from './PastedLines'
import { ProposalCard } from './ProposalCard'
import { renamed } from './renamed'

/**
 * What was read, and what it proposes; nothing is taken without a press.
 * @param from How the log says where an entry came from.
 */
export function ReadPaste(props: { paste: Paste; isStale: boolean; from: string }) {
  const { paste, isStale, from } = props
  const { act } = useTools()
  const [names, setNames] = useState<Record<string, string>>({})
  const [notOurs, setNotOurs] = useState<string[]>([])
  const [problem, setProblem] = useState<string>()
  const open = paste.proposals.filter((one) => !notOurs.includes(one.key))
  const takeIn = async (list: Proposal[]) => {
    const failed = await act(
      list.flatMap((one) => renamed(one, names[one.key])),
      list.length === 1
        ? `${from}: ${names[list[0].key] ?? list[0].title}`
        : `${from}: ${list.length} entries`,
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
  if (paste.lineCount === 0 && paste.parts.every((part) => part.count === 0))
    return (
      <Text role="status">
        The laptop is on no network. Plug it into the house or join its Wi-Fi, then look again.
      </Text>
    )
  const things = open.filter((one) => one.isThing).length
  // The one thing to set right, or to begin with, is named on the button.
  const isOne = open.length === 1 && !open[0].isThing
  const corrections = open.filter((one) => !one.isThing)
  return (
    <Box opacity={isStale ? 0.6 : 1} aria-busy={isStale || undefined}>
      <Heading as="h3" textStyle="section" mb="4px">
        {[...new Set(paste.parts.map((part) => part.says))].join('; ')}
        {paste.lineCount > 0 && (
          <Text as="span" color="quiet" fontWeight="400">
            {' '}
            · {count(paste.lineCount, 'line')}
            {paste.lineCount > paste.lines.length && `, the first ${paste.lines.length} shown`}
          </Text>
        )}
      </Heading>
      {paste.lineCount > 0 && <PastedLines lines={paste.lines} />}
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
      {paste.waiting > 0 && (
        <Text mt="8px">
          {count(paste.waiting, 'more entry', 'more entries')} can be taken once the house has begun.
        </Text>
      )}
      {open.length > 0 ? (
        <>
          <Flex gap="10px" align="center" mt="10px" wrap="wrap">
            <Press kind="main" onClick={() => takeIn(open)}>
              {isOne ? open[0].title : 'Take all into the house'}
            </Press>
            {things > 0 && corrections.length > 0 && (
              <Press
                title="For while not every box is in the house: a line may be one of them."
                onClick={() => takeIn(corrections)}
              >
                Only the {count(corrections.length, 'correction')}
              </Press>
            )}
            <Text color="quiet" hidden={isOne}>
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
