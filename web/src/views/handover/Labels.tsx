import { Box, Flex, Grid, Text } from '@chakra-ui/react'
import { useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import { stickLabels } from '../../api/queries'
import { useJob } from '../../layout/JobContext'
import { PlainField } from '../../parts/PlainField'
import { Press } from '../../parts/Press'
import { Problem } from '../../parts/Problem'
import { Code } from './Code'

const inRange = (text: string, least: number, most: number) => {
  const n = Number(text)
  return Number.isInteger(n) && n >= least && n <= most ? n : undefined
}

/** A sheet of labels for boxes and both ends of each cable; used ones of the sheet are skipped. */
export function Labels() {
  const { job } = useJob()
  const { data = [], error } = useQuery(stickLabels(job.id, job.version))
  const [columns, setColumns] = useState('3')
  const [rows, setRows] = useState('8')
  const [skip, setSkip] = useState('0')
  const [across, down, used] = [inRange(columns, 1, 8), inRange(rows, 1, 30), inRange(skip, 0, 200)]
  const problem =
    across === undefined
      ? 'Columns: write a number from 1 to 8.'
      : down === undefined
        ? 'Rows: write a number from 1 to 30.'
        : used === undefined
          ? 'Used already: write a number from 0 to 200.'
          : undefined
  const all = [...Array.from({ length: used ?? 0 }, () => null), ...data]
  const onSheet = (across ?? 1) * (down ?? 1)
  const sheets = Array.from({ length: Math.ceil(all.length / onSheet) }, (_, i) =>
    all.slice(i * onSheet, (i + 1) * onSheet),
  )
  return (
    <Box mt="14px">
      <Flex gap="10px" wrap="wrap" align="end" className="no-print">
        <PlainField label="Columns" width="90px" kind="number" value={columns} onChange={setColumns} />
        <PlainField label="Rows" width="90px" kind="number" value={rows} onChange={setRows} />
        <PlainField label="Used already" width="110px" kind="number" value={skip} onChange={setSkip} />
        <Press onClick={() => window.print()}>Print</Press>
      </Flex>
      <Problem mt="6px">{problem ?? error?.message}</Problem>
      {!problem &&
        sheets.map((sheet, at) => (
          <Grid
            key={`sheet-${at + 0}`}
            mt="12px"
            gap="0"
            templateColumns={`repeat(${across}, minmax(0, 1fr))`}
            maxW="900px"
            css={{ breakAfter: 'page', '@media print': { marginTop: 0, maxWidth: 'none' } }}
          >
            {sheet.map((label, i) => (
              <Flex
                key={`label-${i + 0}`}
                data-label={label ? '' : undefined}
                gap="8px"
                p="6px"
                minH="34mm"
                align="center"
                border="1px dashed"
                borderColor="hairline"
                bg={label ? '#fff' : 'transparent'}
                color="#000"
                overflow="hidden"
              >
                {label?.code && <Code svg={label.code} says={`Page of ${label.title}`} size="84px" />}
                {label && (
                  <Box minW="0" fontSize="12px">
                    <Text fontWeight="700" fontSize="14px" overflowWrap="anywhere" dir="auto">
                      {label.title}
                    </Text>
                    {label.lines.map((line) => (
                      <Text key={line} overflowWrap="anywhere">
                        {line}
                      </Text>
                    ))}
                  </Box>
                )}
              </Flex>
            ))}
          </Grid>
        ))}
    </Box>
  )
}
