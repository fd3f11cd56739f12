import { Box, Spinner, Text } from '@chakra-ui/react'
import { useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import { reachGrid } from '../../api/queries'
import { useJob } from '../../layout/JobContext'
import { Sheet } from '../../parts/Sheet'
import { count, nameOf } from '../../parts/words'
import { looks, ReachTable } from './ReachTable'

/** Who reaches whom: a row the sender, a column the receiver; each cell says why when it is pressed. */
export function ReachSheet({ onClose }: { onClose: () => void }) {
  const { house, job, side } = useJob()
  const { data, error } = useQuery(reachGrid(job.id, side, job.version))
  const [chosen, setChosen] = useState<string | null>(null)
  const name = (id: string) => (id === 'isp' ? 'The internet' : nameOf(house.document, id))
  const said = data?.cells.find((cell) => `${cell.from}>${cell.to}` === chosen)
  return (
    <Sheet title="Who reaches whom" open onClose={onClose} size="cover">
      {error && <Text color="brick">{error.message}</Text>}
      {!data && !error && <Spinner color="spruce" aria-label="Computing" />}
      {data && (
        <>
          <Text fontSize="small" color="quiet" mb="8px">
            Each row asks, each column answers. ✓ reaches, • beside it: found by name too; – does not; ?
            chance decides. Press a cell for the reason; the arrow keys go from cell to cell.
          </Text>
          <Box minH="44px" role="status" fontSize="text" mb="8px" overflowWrap="anywhere">
            {said && (
              <Text>
                <b>{`${name(said.from)} ${looks[said.reachable].word} ${name(said.to)}.`}</b> {said.because}
              </Text>
            )}
          </Box>
          <ReachTable grid={data} name={name} chosen={chosen} choose={setChosen} />
          {data.leftOut > 0 && (
            <Text mt="8px" fontSize="note" color="quiet">
              {count(data.leftOut, 'more thing')} not in the grid.
            </Text>
          )}
        </>
      )}
    </Sheet>
  )
}
