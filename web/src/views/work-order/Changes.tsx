import { Box, Flex, Text } from '@chakra-ui/react'
import type { WorkStep } from '../../api/types'
import { AddressText } from '../../parts/AddressText'
import { CopyButton } from '../../parts/CopyButton'
import { Secret } from '../../parts/Secret'

/** What is typed: the old value struck out, the new one large. */
export function Changes({ changes }: { changes: WorkStep['changes'] }) {
  if (changes.length === 0) return null
  return (
    <Box mt="12px" border="1.5px solid" borderColor="ink" borderRadius="4px" bg="sheet" px="14px">
      {changes.map((change, index) => (
        <Box key={change.setting} py="8px" borderTop={index ? '1px solid' : undefined} borderColor="hairline">
          <Text fontSize="small" color="quiet">
            {change.setting}
          </Text>
          <Flex align="baseline" gap="12px" wrap="wrap">
            {change.from && change.from !== change.to && (
              <>
                <AddressText fontSize="18px" color="quiet" textDecoration="line-through">
                  <span className="sr-only">from </span>
                  {change.from}
                </AddressText>
                <Text aria-hidden>→</Text>
              </>
            )}
            {change.isSecret ? (
              <Box>
                <Text fontSize="section">
                  {change.isOnLabel ? (
                    'the password on its label'
                  ) : (
                    <>
                      the password kept as <AddressText fontWeight="600">{change.to}</AddressText>
                    </>
                  )}
                </Text>
                <Secret name={change.to} label={`Password “${change.to}”`} />
              </Box>
            ) : (
              <>
                <AddressText fontSize="19px" fontWeight="600">
                  {change.to}
                </AddressText>
                <Box ml="auto">
                  {/[0-9]/.test(change.to) && <CopyButton value={change.to} what={change.setting} />}
                </Box>
              </>
            )}
          </Flex>
        </Box>
      ))}
    </Box>
  )
}
