import { Box, Flex, Heading, Text } from '@chakra-ui/react'
import { useQuery } from '@tanstack/react-query'
import { handover } from '../../api/queries'
import type { HandoverView } from '../../api/types'
import { useJob } from '../../layout/JobContext'
import { usePlace } from '../../layout/usePlace'
import { Choice } from '../../parts/Choice'
import { Press } from '../../parts/Press'
import { Segmented } from '../../parts/Segmented'
import { useNarrow } from '../../parts/useNarrow'
import { BringIn } from './BringIn'
import { Cards } from './Cards'
import { Labels } from './Labels'
import { Missing } from './Missing'
import { RecordParts } from './RecordParts'
import { TakeOut } from './TakeOut'
import { WholeJob } from './WholeJob'

const sheets = [
  { value: 'household', label: 'For the household' },
  { value: 'record', label: 'For the next installer' },
  { value: 'cards', label: 'Wi-Fi cards' },
  { value: 'labels', label: 'Labels' },
  { value: 'out', label: 'Export' },
  { value: 'in', label: 'Import' },
] as const

type SheetName = (typeof sheets)[number]['value']

/** What is left behind: the record as it prints, cards and labels, files that go out and tables that come back. */
export function HandoverPage() {
  const { job } = useJob()
  const { params, turn } = usePlace()
  const { data, error } = useQuery({ ...handover(job.id, job.version), placeholderData: (old) => old })
  const isNarrow = useNarrow()
  const asked = params.get('step')
  const sheet: SheetName = sheets.find((one) => one.value === asked)?.value ?? 'household'
  return (
    <Box px={{ base: '16px', md: '24px' }} py="16px">
      <Box className="no-print">
        <Heading as="h2" textStyle="title" mb="10px">
          Handover
        </Heading>
        {isNarrow ? (
          <Choice
            label="What to hand over"
            width="100%"
            options={[...sheets]}
            value={sheet}
            onChange={(step) => turn({ step })}
          />
        ) : (
          <Segmented
            label="What to hand over"
            options={[...sheets]}
            value={sheet}
            onChange={(step) => turn({ step })}
          />
        )}
      </Box>
      {error && !data && (
        <Box mt="16px" role="alert" color="brick">
          {error.message}
        </Box>
      )}
      {!data && !error && (
        <Text mt="16px" role="status" color="quiet">
          Writing the record …
        </Text>
      )}
      {data && <Sheet name={sheet} data={data} title={job.name} />}
    </Box>
  )
}

function Sheet({ name, data, title }: { name: SheetName; data: HandoverView; title: string }) {
  switch (name) {
    case 'household':
      return <Paper title={title} parts={data.household} isLarge />
    case 'record':
      return (
        <>
          <Missing missing={data.missing} />
          <Paper title={title} parts={data.record} />
        </>
      )
    case 'cards':
      return <Cards networks={data.networks} />
    case 'labels':
      return <Labels />
    case 'out':
      return (
        <>
          <TakeOut kinds={data.kinds} />
          <WholeJob />
        </>
      )
    case 'in':
      return <BringIn />
  }
}

/** A sheet as it prints, in black on white. */
function Paper(props: { title: string; parts: HandoverView['record']; isLarge?: boolean }) {
  return (
    <Box mt="14px" maxW="760px">
      <Flex className="no-print" mb="8px">
        <Press onClick={() => window.print()}>Print</Press>
      </Flex>
      <Box
        as="article"
        data-paper
        border="1px solid"
        borderColor="hairline"
        bg="sheet"
        px={{ base: '16px', md: '32px' }}
        py="20px"
        fontSize={props.isLarge ? '17px' : undefined}
        css={{ '@media print': { border: 'none', padding: 0, background: '#fff', color: '#000' } }}
      >
        <Text as="h1" fontSize="24px" fontWeight="700" dir="auto" overflowWrap="anywhere">
          {props.title}
        </Text>
        <RecordParts parts={props.parts} />
      </Box>
    </Box>
  )
}
