import { Box, Flex, Text } from '@chakra-ui/react'
import { useQuery } from '@tanstack/react-query'
import { Link, useSearchParams } from 'react-router'
import { workOrder } from '../api/queries'
import { Press } from '../parts/Press'
import { useTheme } from '../state/theme'
import { useAsked } from '../state/way'
import { useJob } from './JobContext'
import { type StageId, stages } from './stages'

/** The stages in working order: down the left on a laptop, along the bottom on a phone. */
export function Spine(props: { stage?: StageId; onKeys: () => void; onFind: () => void }) {
  const { stage, onKeys, onFind } = props
  const screen = useJob()
  const [params] = useSearchParams()
  const kept = new URLSearchParams(params)
  kept.delete('open')
  const { theme, toggle } = useTheme()
  const asked = useAsked(screen.job.id)
  const { data: order } = useQuery({ ...workOrder(screen.job.id, screen.job.version, asked), enabled: false })
  return (
    <Flex
      as="nav"
      aria-label="Stages"
      direction={{ base: 'row', md: 'column' }}
      gridArea="spine"
      borderRightWidth={{ base: '0', md: '1px' }}
      borderTopWidth={{ base: '1px', md: '0' }}
      borderColor="hairline"
      bg="paper"
      className="no-print stages"
    >
      {stages.map((one, index) => {
        const current = one.id === stage
        return (
          <Link
            key={one.id}
            to={{ pathname: `/job/${screen.job.id}/${one.id}`, search: kept.toString() }}
            aria-current={current ? 'page' : undefined}
            className="stage-link"
          >
            <Flex
              direction={{ base: 'column', md: 'row' }}
              align={{ base: 'center', md: 'baseline' }}
              gap={{ base: '0', md: '8px' }}
              px={{ base: '2px', md: '16px' }}
              minH={{ base: 'thumb', md: '0' }}
              py={{ base: '6px', md: '8px' }}
              color={current ? 'spruce' : 'ink'}
              bg={current ? 'spruceWash' : 'transparent'}
              borderLeftWidth={{ base: '0', md: '4px' }}
              borderColor={{ md: current ? 'spruce' : 'transparent' }}
              pl={{ md: '12px' }}
            >
              <Box display={{ base: 'block', md: 'none' }}>{one.icon}</Box>
              <Text hideBelow="md" color="quiet" fontSize="note" w="10px">
                {index + 1}
              </Text>
              <Box>
                <Text fontWeight={current ? 700 : 500} fontSize={{ base: '12px', md: '15px' }}>
                  {one.name}
                </Text>
                <Text hideBelow="md" fontSize="note" color={one.isOpen(screen) ? 'brick' : 'quiet'}>
                  {one.note(screen, order)}
                </Text>
              </Box>
            </Flex>
          </Link>
        )
      })}
      <Flex hideBelow="md" mt="auto" p="8px" gap="0 4px" wrap="wrap" align="center">
        <Link to="/kit" className="textlink" style={{ padding: '4px' }}>
          Kit shelf
        </Link>
        <Press kind="plain" onClick={toggle} aria-label={`Switch to ${theme === 'dark' ? 'light' : 'dark'}`}>
          {theme === 'dark' ? 'Light' : 'Dark'}
        </Press>
        <Press kind="plain" onClick={onFind}>
          Find
        </Press>
        <Press kind="plain" onClick={onKeys}>
          Keys
        </Press>
      </Flex>
    </Flex>
  )
}
