import { Flex, Text } from '@chakra-ui/react'
import { Press } from '../parts/Press'
import { useNotices } from '../state/notices'

export function Notices() {
  const { notices, drop } = useNotices()
  return (
    <Flex
      role="status"
      aria-live="polite"
      position="fixed"
      bottom={{ base: '64px', md: '16px' }}
      left="50%"
      transform="translateX(-50%)"
      direction="column"
      gap="8px"
      zIndex="50"
      w="min(520px, calc(100vw - 24px))"
    >
      {notices.map((notice) => (
        <Flex
          key={notice.id}
          bg="ink"
          color="paper"
          px="16px"
          py="8px"
          borderRadius="4px"
          align="center"
          justify="space-between"
          gap="12px"
          boxShadow="0 4px 16px rgba(0,0,0,.25)"
        >
          <Text>{notice.text}</Text>
          {notice.kind === 'problem' && (
            <Press kind="inverse" onClick={() => drop(notice.id)}>
              Close
            </Press>
          )}
        </Flex>
      ))}
    </Flex>
  )
}
