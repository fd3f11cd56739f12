import { Box, Spinner, Text } from '@chakra-ui/react'
import { useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import { reachGrid } from '../../api/queries'
import type { ReachCell } from '../../api/types'
import { useJob } from '../../layout/JobContext'
import { Sheet } from '../../parts/Sheet'
import { nameOf } from '../../parts/words'

const looks = {
  yes: { sign: '✓', color: 'moss', word: 'reaches' },
  no: { sign: '–', color: 'brick', word: 'does not reach' },
  sometimes: { sign: '?', color: 'ochre', word: 'now and then reaches' },
} as const

/** Who reaches whom: a row the sender, a column the receiver; each cell says why when it is pressed. */
export function ReachSheet({ open, onClose }: { open: boolean; onClose: () => void }) {
  const { house, job, side } = useJob()
  const { data, error } = useQuery({ ...reachGrid(job.id, side, job.version), enabled: open })
  const [chosen, setChosen] = useState<string | null>(null)
  const name = (id: string) => (id === 'isp' ? 'The internet' : nameOf(house.document, id))
  const cells = new Map((data?.cells ?? []).map((cell) => [`${cell.from}>${cell.to}`, cell]))
  const columns = data ? ['isp', ...data.things] : []
  const said = chosen ? cells.get(chosen) : undefined
  return (
    <Sheet title="Who reaches whom" open={open} onClose={onClose} size="cover">
      {error && <Text color="brick">{error.message}</Text>}
      {!data && !error && <Spinner color="spruce" aria-label="Computing" />}
      {data && (
        <>
          <Text fontSize="14px" color="quiet" mb="8px">
            Each row asks, each column answers. ✓ reaches, • beside it: found by name too; – does not; ?
            chance decides. Press a cell for the reason.
          </Text>
          <Box minH="44px" role="status" fontSize="15px" mb="8px">
            {said && (
              <Text>
                <b>{`${name(said.from)} ${looks[said.reachable].word} ${name(said.to)}.`}</b> {said.because}
              </Text>
            )}
          </Box>
          <Box
            overflow="auto"
            maxH={{ base: '56vh', md: 'calc(100dvh - 290px)' }}
            tabIndex={0}
            role="region"
            aria-label="The grid"
          >
            <Box as="table" borderCollapse="collapse" fontSize="13px">
              <thead>
                <tr>
                  <td />
                  {columns.map((id) => (
                    <Box as="th" key={id} h="120px" verticalAlign="bottom" p="0" minW="30px" fontWeight="600">
                      <Box
                        css={{
                          writingMode: 'vertical-rl',
                          textOrientation: 'sideways',
                          transform: 'rotate(180deg)',
                        }}
                        maxH="118px"
                        overflow="hidden"
                        whiteSpace="nowrap"
                        ml="5px"
                      >
                        {name(id)}
                      </Box>
                    </Box>
                  ))}
                </tr>
              </thead>
              <tbody>
                {data.things.map((from) => (
                  <tr key={from}>
                    <Box
                      as="th"
                      textAlign="left"
                      fontWeight="600"
                      pr="8px"
                      whiteSpace="nowrap"
                      position="sticky"
                      left="0"
                      bg="sheet"
                    >
                      {name(from)}
                    </Box>
                    {columns.map((to) => (
                      <Cell
                        key={to}
                        cell={cells.get(`${from}>${to}`)}
                        label={`${name(from)}, ${name(to)}`}
                        on={chosen === `${from}>${to}`}
                        choose={() => setChosen(`${from}>${to}`)}
                      />
                    ))}
                  </tr>
                ))}
              </tbody>
            </Box>
          </Box>
          {data.leftOut > 0 && (
            <Text mt="8px" fontSize="13px" color="quiet">
              {data.leftOut} more things are not in the grid.
            </Text>
          )}
        </>
      )}
    </Sheet>
  )
}

function Cell(props: { cell?: ReachCell; label: string; on: boolean; choose: () => void }) {
  const { cell, label, on, choose } = props
  if (!cell) return <Box as="td" bg="hairline" />
  const look = looks[cell.reachable]
  return (
    <Box as="td" p="0" border="1px solid" borderColor="hairline" textAlign="center">
      <Box
        as="button"
        w="30px"
        h={{ base: '34px', md: '26px' }}
        color={look.color}
        fontWeight="700"
        bg={on ? 'spruceWash' : 'transparent'}
        aria-pressed={on}
        aria-label={`${label}: ${cell.reachable}`}
        onClick={choose}
      >
        {look.sign}
        {cell.byName ? '•' : ''}
      </Box>
    </Box>
  )
}
