import { Box, Flex, Heading, Text } from '@chakra-ui/react'
import { useQuery, useQueryClient } from '@tanstack/react-query'
import { useEffect, useState } from 'react'
import { Link } from 'react-router'
import { importKind, kitShelf, removeKind } from '../../api/queries'
import type { KitView } from '../../api/types'
import { KindWords } from '../../features/kind/KindWords'
import { groupNames } from '../../features/kind/kindOptions'
import { FilePick } from '../../parts/FilePick'
import { PlainField } from '../../parts/PlainField'
import { Press } from '../../parts/Press'
import { Problem } from '../../parts/Problem'
import { say } from '../../state/notices'

/** The kinds of boxes of the trade, as they are sold; an installer's own beside them. */
export function KitPage() {
  const { data, error } = useQuery(kitShelf)
  const queries = useQueryClient()
  const [find, setFind] = useState('')
  const [problem, setProblem] = useState<string>()
  useEffect(() => {
    document.title = 'Kit shelf · Altrin'
  }, [])
  const wanted = find.trim().toLowerCase()
  const shown = (data ?? []).filter((kind) => `${kind.name} ${kind.about}`.toLowerCase().includes(wanted))
  const groups = [...new Set(shown.map((kind) => (kind.isOwn ? 'Your own kinds' : groupNames[kind.group])))]
  const change = async (work: () => Promise<unknown>, done: string) => {
    try {
      await work()
      setProblem(undefined)
      say(done)
      await queries.invalidateQueries({ queryKey: kitShelf.queryKey })
    } catch (failed) {
      setProblem((failed as Error).message)
    }
  }
  return (
    <Box as="main" maxW="880px" mx="auto" px={{ base: '16px', md: '32px' }} py={{ base: '20px', md: '40px' }}>
      <Link to="/" className="textlink">
        Jobs
      </Link>
      <Heading as="h1" textStyle="stage" mt="8px" mb="4px">
        Kit shelf
      </Heading>
      <Text color="quiet" mb="14px">
        Boxes by kind, as they are sold, without brand or model. A box that is taken from here brings its
        sockets, modes and defaults along; work orders then use its words.
      </Text>
      <Flex gap="10px" align="end" wrap="wrap" mb="12px">
        <PlainField label="Find a kind" width="260px" value={find} onChange={setFind} />
        <FilePick
          label="Kind to bring in"
          accept="application/json,.json"
          take={async (chosen) => {
            const text = await chosen.text()
            await change(() => importKind(text), 'It stands on the shelf.')
          }}
        >
          Bring in a kind of your own
        </FilePick>
      </Flex>
      <Problem mb="8px">{problem ?? error?.message}</Problem>
      {!data && !error && (
        <Text role="status" color="quiet">
          Looking at the shelf …
        </Text>
      )}
      {data && shown.length === 0 && <Text>No kind is called so.</Text>}
      {groups.map((group) => (
        <Box as="section" key={group} mb="20px">
          <Heading as="h2" textStyle="section" mb="4px">
            {group}
          </Heading>
          <Box as="ul" listStyleType="none" borderTop="1px solid" borderColor="hairline">
            {shown
              .filter((kind) => (kind.isOwn ? 'Your own kinds' : groupNames[kind.group]) === group)
              .map((kind) => (
                <Kind
                  key={kind.kit}
                  kind={kind}
                  remove={() => change(() => removeKind(kind.kit), `Taken off the shelf: ${kind.name}`)}
                />
              ))}
          </Box>
        </Box>
      ))}
    </Box>
  )
}

function Kind({ kind, remove }: { kind: KitView; remove: () => Promise<void> }) {
  const sold = kind.sold
  const bands = [...new Set((sold?.radios ?? []).map((radio) => radio.band))]
  const wans = (sold?.ports ?? []).filter((port) => port.role === 'wan').length
  const facts = sold
    ? [
        `${(sold.ports ?? []).length - wans} LAN${wans ? ' + WAN' : ''}`,
        ...(bands.length ? [`${bands.join(' and ')} GHz`] : ['no Wi-Fi']),
        ...(sold.label?.defaultAddress ? [sold.label.defaultAddress] : []),
      ]
    : []
  return (
    <Box as="li" borderBottom="1px solid" borderColor="hairline">
      <details className="words">
        <summary>
          <Text as="span" color="ink" fontSize="text" fontWeight="650" overflowWrap="anywhere">
            {kind.name}
          </Text>{' '}
          <Text as="span" textStyle="note" fontFamily="mono">
            {facts.join(' · ')}
          </Text>
        </summary>
        <Box pb="12px">
          {sold && (
            <Text fontFamily="mono" fontSize="note" overflowWrap="anywhere">
              {(sold.ports ?? [])
                .map((port) => `${port.printed ?? port.id}${port.speedMbps ? ` ${port.speedMbps}` : ''}`)
                .join(' | ')}{' '}
              Mb/s; can be {[...new Set([sold.mode, ...(sold.supports ?? [])])].join(', ')}
            </Text>
          )}
          <KindWords kind={kind} />
          <Flex gap="12px" mt="8px" align="center">
            <a className="textlink" href={`/api/kit/${kind.kit}`} download={`${kind.kit}.kit.json`}>
              Take it out as a file
            </a>
            {kind.isOwn && (
              <Press kind="plain" onClick={remove} aria-label={`Remove ${kind.name}`}>
                remove
              </Press>
            )}
          </Flex>
        </Box>
      </details>
    </Box>
  )
}
