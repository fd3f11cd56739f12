import { Flex, Text } from '@chakra-ui/react'
import type { ReactNode } from 'react'
import { useJob, useTools } from '../../layout/JobContext'
import { DraftPart } from '../../parts/DraftPart'
import { Foot } from '../../parts/Foot'
import { Press } from '../../parts/Press'

/** Floats at the foot of the sheet with the settings of what is chosen. */
export function Panel({
  id,
  title,
  note,
  children,
  actions,
}: {
  /** The box or thing, or what else it is about: its drafts are kept under it. */
  id: string
  title: string
  note?: string
  children: ReactNode
  actions?: ReactNode
}) {
  const { side } = useJob()
  const { select } = useTools()
  return (
    <Foot as="section" data-panel aria-label={title} maxH={{ base: '56vh', md: '46vh' }} overflow="auto">
      <Flex justify="space-between" align="baseline" gap="0 8px" mb="6px" wrap="wrap">
        <Text as="h2" fontWeight="700" fontSize="section" overflowWrap="anywhere" minW="0">
          <bdi>{title}</bdi>{' '}
          <Text as="span" fontWeight="400" fontSize="note" color="quiet">
            {note ?? (side === 'found' ? 'as found' : 'as planned')}
          </Text>
        </Text>
        <Flex gap="4px" wrap="wrap">
          {actions}
          <Press kind="plain" onClick={() => select(null)}>
            close
          </Press>
        </Flex>
      </Flex>
      <DraftPart name={id} about={id}>
        {children}
      </DraftPart>
    </Foot>
  )
}
