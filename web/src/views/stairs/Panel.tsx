import { Flex, Text } from '@chakra-ui/react'
import type { ReactNode } from 'react'
import { useJob, useTools } from '../../layout/JobContext'
import { Foot } from '../../parts/Foot'
import { Press } from '../../parts/Press'

/** Floats at the foot of the sheet with the settings of what is chosen. */
export function Panel({
  title,
  note,
  children,
  actions,
}: {
  title: string
  note?: string
  children: ReactNode
  actions?: ReactNode
}) {
  const { side } = useJob()
  const { select } = useTools()
  return (
    <Foot as="section" aria-label={title} maxH={{ base: '56vh', md: '46vh' }} overflow="auto">
      <Flex justify="space-between" align="baseline" gap="0 8px" mb="6px" wrap="wrap">
        <Text as="h2" fontWeight="700" fontSize="16px">
          {title}{' '}
          <Text as="span" fontWeight="400" fontSize="13px" color="quiet">
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
      {children}
    </Foot>
  )
}
