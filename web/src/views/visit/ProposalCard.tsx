import { Box, Flex, Text } from '@chakra-ui/react'
import type { Proposal } from '../../api/types'
import { PlainField } from '../../parts/PlainField'
import { Press } from '../../parts/Press'

/** Something that was seen and is not in the house yet, or not so. */
export function ProposalCard(props: {
  proposal: Proposal
  name?: string
  rename: (name: string) => void
  take: () => Promise<void>
  leave: () => void
}) {
  const { proposal, name, rename, take, leave } = props
  const title = name ?? proposal.title
  return (
    <Box as="li" borderTop="2px solid" borderColor="ink" pt="8px">
      {(proposal.address || proposal.mac) && (
        <Text fontFamily="mono" fontSize="small" overflowWrap="anywhere">
          {proposal.address}{' '}
          <Text as="span" color="quiet" fontSize="note">
            {proposal.mac}
          </Text>
        </Text>
      )}
      {proposal.isThing ? (
        <PlainField label="Call it" width="100%" value={title} onChange={rename} />
      ) : (
        <Text fontWeight="650" overflowWrap="anywhere">
          {proposal.title}
        </Text>
      )}
      <Text textStyle="small" color="quiet" my="4px">
        {proposal.because}
      </Text>
      <Flex gap="8px">
        <Press onClick={take} aria-label={`Take it: ${title}`}>
          Take it
        </Press>
        <Press
          kind="plain"
          onClick={leave}
          aria-label={`${proposal.isThing ? 'Not ours' : 'Leave it'}: ${title}`}
        >
          {proposal.isThing ? 'not ours' : 'leave it'}
        </Press>
      </Flex>
    </Box>
  )
}
