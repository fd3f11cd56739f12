import { Text } from '@chakra-ui/react'
import { useQuery } from '@tanstack/react-query'
import { useEffect } from 'react'
import { share } from '../api/queries'
import { useLooking } from '../state/looking'
import { isGuest } from '../state/thisPage'

/** Said where somebody was let in to look: whatever he presses here changes nothing. */
export function LooksOnly() {
  const { data } = useQuery({ ...share, enabled: isGuest, staleTime: Number.POSITIVE_INFINITY })
  const looksOnly = data?.looksOnly ?? false
  useEffect(() => useLooking.setState({ looksOnly }), [looksOnly])
  if (!looksOnly) return null
  return (
    <Text textStyle="small" px="12px" py="4px" borderBottom="1px solid" borderColor="hairline" role="note">
      This phone looks on: it shows what the laptop changes, and changes nothing itself.
    </Text>
  )
}
