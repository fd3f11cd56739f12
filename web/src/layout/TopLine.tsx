import { Box, Flex, Text } from '@chakra-ui/react'
import { Link } from 'react-router'
import { Press } from '../parts/Press'
import { Segmented } from '../parts/Segmented'
import { verdictWords } from '../parts/words'
import { useLooking } from '../state/looking'
import { useJob, useTools } from './JobContext'

export function TopLine(props: {
  onVerdict: () => void
  onLog: () => void
  onFind: () => void
  onPhone: () => void
}) {
  const { onVerdict, onLog, onFind, onPhone } = props
  const { job, side, house } = useJob()
  const { show, back, forth } = useTools()
  const { looksOnly } = useLooking()
  const isEmpty = (house.document.devices ?? []).length === 0
  const bad = house.verdict.faults > 0 || house.verdict.wantsHeld < house.verdict.wants
  return (
    <Flex
      as="header"
      gridArea="top"
      align="center"
      gap={{ base: '8px', md: '16px' }}
      px={{ base: '12px', md: '16px' }}
      borderBottom="1px solid"
      borderColor="hairline"
      minH={{ base: '52px', md: '44px' }}
      wrap="wrap"
      py={{ base: '6px', md: '0' }}
      className="no-print"
    >
      <Link to="/" aria-label="Altrin, all jobs">
        <Text
          color="spruce"
          fontWeight="800"
          fontSize={{ base: '16px', md: '19px' }}
          w={{ md: '116px' }}
          lineHeight={{ base: '44px', md: '1.4' }}
        >
          Altrin
        </Text>
      </Link>
      <Text
        as="h1"
        fontWeight="700"
        fontSize={{ base: '15px', md: '17px' }}
        lineClamp={1}
        minW="60px"
        flex={{ base: '1 1 calc(100% - 200px)', md: '0 1 auto' }}
        overflowWrap="anywhere"
        dir="auto"
        title={job.name}
      >
        {job.name}
      </Text>
      <Box flexShrink={0} order={{ base: 5, md: 0 }}>
        <Segmented
          label="Which house"
          value={side}
          onChange={show}
          options={[
            { value: 'found', label: 'As found' },
            { value: 'planned', label: 'Planned' },
          ]}
        />
      </Box>
      <Flex gap="4px" order={{ base: 6, md: 0 }} flexShrink={0}>
        <Press
          kind="plain"
          disabled={looksOnly || !house.undo}
          onClick={back}
          title={house.undo ? `Undo: ${house.undo}` : 'Nothing to undo'}
        >
          undo
        </Press>
        <Press
          kind="plain"
          disabled={looksOnly || !house.redo}
          onClick={forth}
          title={house.redo ? `Redo: ${house.redo}` : 'Nothing to redo'}
        >
          redo
        </Press>
        <Press kind="plain" onClick={onLog}>
          log
        </Press>
        <Press kind="plain" hideBelow="md" onClick={onPhone} title="Take a phone along">
          phone
        </Press>
        <Press kind="plain" hideFrom="md" onClick={onFind}>
          find
        </Press>
      </Flex>
      <Box ml="auto" order={{ base: 4, md: 0 }} flexShrink={0}>
        <Text
          hideBelow="md"
          fontWeight="700"
          fontSize="small"
          color={isEmpty ? 'quiet' : bad ? 'brick' : 'moss'}
          data-testid="verdict"
        >
          {isEmpty ? 'nothing here yet' : verdictWords(house.verdict)}
        </Text>
        <Press hideFrom="md" kind={bad ? 'danger' : 'other'} onClick={onVerdict} aria-haspopup="dialog">
          {house.verdict.faults
            ? `${house.verdict.faults} fault${house.verdict.faults === 1 ? '' : 's'}`
            : house.verdict.wants === 0
              ? 'no wants'
              : `${house.verdict.wantsHeld}/${house.verdict.wants} hold`}
        </Press>
      </Box>
    </Flex>
  )
}
