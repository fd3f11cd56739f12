import { Box, Flex, Heading, Text, Textarea } from '@chakra-ui/react'
import { useState } from 'react'
import { readTable } from '../../api/queries'
import type { ImportView } from '../../api/types'
import { useJob, useTools } from '../../layout/JobContext'
import { FilePick } from '../../parts/FilePick'
import { fieldLook } from '../../parts/Labelled'
import { Press } from '../../parts/Press'
import { Problem } from '../../parts/Problem'
import { count } from '../../parts/words'
import { say } from '../../state/notices'

/** A table that comes back from a spreadsheet: what it changes, deed by deed; nothing is written until it is taken. */
export function BringIn() {
  const { job } = useJob()
  const { act } = useTools()
  const [text, setText] = useState('')
  const [read, setRead] = useState<ImportView>()
  const [problem, setProblem] = useState<string>()
  const look = async (table: string) => {
    try {
      setRead(await readTable(job.id, table))
      setProblem(undefined)
    } catch (refused) {
      setRead(undefined)
      setProblem(refused instanceof Error ? refused.message : 'That did not work.')
    }
  }
  const open = async (file: File) => {
    const bytes = new Uint8Array(await file.arrayBuffer())
    // A spreadsheet saves "Unicode text" with two bytes a letter.
    const wide = bytes[0] === 0xff && bytes[1] === 0xfe
    const table = new TextDecoder(wide ? 'utf-16le' : 'utf-8').decode(bytes)
    setText(table)
    await look(table)
  }
  const take = async (actions: ImportView['all'], says: string) => {
    const failed = await act(actions, says)
    setProblem(failed?.message)
    if (failed) return
    say(says)
    await look(text)
  }
  return (
    <Box mt="14px" maxW="760px">
      <Text color="quiet" fontSize="small">
        boxes.csv, things.csv, addresses.csv or cables.csv, exported here and edited in a spreadsheet. Commas,
        semicolons or tabs, columns in any order. Rows are matched by id, then MAC, then name. What a table
        leaves out is not changed.
      </Text>
      <Textarea
        aria-label="The table"
        placeholder="Paste the table here, or choose its file."
        rows={5}
        mt="8px"
        {...fieldLook}
        fontFamily="mono"
        fontSize="13px"
        dir="ltr"
        value={text}
        onChange={(event) => setText(event.target.value)}
      />
      <Flex gap="10px" mt="8px" wrap="wrap">
        <Press kind="main" disabled={text.trim() === ''} onClick={() => look(text)}>
          What would it change?
        </Press>
        <FilePick label="Table to read" accept=".csv,.tsv,.txt,text/csv" take={open}>
          Choose a file
        </FilePick>
      </Flex>
      <Problem mt="8px">{problem}</Problem>
      {read && (
        <Box mt="12px" role="status">
          <Heading as="h3" textStyle="section">
            {read.kind}: {read.deeds.length === 0 ? 'no changes' : count(read.deeds.length, 'change')}
          </Heading>
          {read.all.length > 0 && (
            <Press
              mt="6px"
              kind="main"
              onClick={() => take(read.all, `${count(read.deeds.length, 'change')} taken from ${read.kind}`)}
            >
              Take all
            </Press>
          )}
          <Box as="ul" listStyleType="none" mt="6px">
            {read.deeds.map((deed) => (
              <Flex
                as="li"
                key={deed.number}
                data-deed
                gap="2px 12px"
                wrap="wrap"
                align="center"
                py="4px"
                borderTop="1px solid"
                borderColor="hairline"
              >
                <Text flex="1 1 260px" overflowWrap="anywhere">
                  {deed.says}
                  {deed.refused && (
                    <Text as="span" color="brick">
                      {' '}
                      {deed.refused}
                    </Text>
                  )}
                </Text>
                {!deed.refused && (
                  <Press
                    aria-label={`Take it: ${deed.says}`}
                    onClick={() => take(deed.actions, `From ${read.kind}: ${deed.says}`)}
                  >
                    Take it
                  </Press>
                )}
              </Flex>
            ))}
          </Box>
          {[...read.problems, ...read.unmatched].map((one) => (
            <Text key={`${one.row}-${one.column ?? ''}`} fontSize="small" color="ochre" mt="4px">
              Row {one.row}
              {one.column ? `, ${one.column}` : ''}: {one.says}
            </Text>
          ))}
          {read.ignored.length > 0 && (
            <Text fontSize="small" color="quiet" mt="4px">
              Columns not used here: {read.ignored.join(', ')}.
            </Text>
          )}
        </Box>
      )}
    </Box>
  )
}
