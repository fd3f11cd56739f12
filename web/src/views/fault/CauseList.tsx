import { Box, Flex, Heading, Text } from '@chakra-ui/react'
import { useState } from 'react'
import type { FoundOut } from '../../api/types'
import { Press } from '../../parts/Press'
import { count } from '../../parts/words'
import { Mend } from './Mend'

const shownAtFirst = 6

/** Causes that are left, with how sure; below them those that are ruled out. */
export function CauseList(props: {
  found: FoundOut
  seen: string[]
  open: number | null
  onOpen: (cause: number | null) => void
  onMended: (cause: number) => Promise<boolean>
}) {
  const { found, seen, open } = props
  const [isWhole, setWhole] = useState(false)
  const [isRuledOpen, setRuledOpen] = useState(false)
  const shown = isWhole ? found.causes : found.causes.slice(0, shownAtFirst)
  return (
    <Box as="section" aria-label="What it may be">
      <Heading as="h3" textStyle="section">
        {found.causes.length === 0
          ? 'Nothing explains this'
          : found.causes.length === 1
            ? 'Found'
            : `It may be one of ${found.causes.length}`}
        {found.arePairs ? ': two things at once' : ''}
      </Heading>
      <Box as="ol" listStyleType="none" mt="4px">
        {shown.map((cause, i) => (
          <Box
            as="li"
            key={cause.sentences[0]}
            py="8px"
            borderTop="1px solid"
            borderColor="hairline"
            data-cause
          >
            <Flex gap="10px" align="baseline">
              <Text fontWeight="650" flex="none" w="48px" textAlign="right" color="quiet">
                {sure(cause.sure)}
              </Text>
              <Box flex="1" minW="0">
                <Text fontWeight={i === 0 ? '650' : '400'}>{cause.sentences[0]}</Text>
                {cause.sentences.length > 1 && (
                  <Text fontSize="small" color="quiet">
                    or, which no check tells apart: {cause.sentences.slice(1, 4).join(' ')}
                    {cause.sentences.length > 4 ? ` and ${cause.sentences.length - 4} more` : ''}
                  </Text>
                )}
                <Text fontSize="small" color={cause.against.length ? 'ochre' : 'quiet'}>
                  {cause.against.length
                    ? `Explains ${cause.explains} of ${seen.length}; not: ${cause.against.join('; ')}`
                    : 'Explains all that was seen.'}
                </Text>
                {!(found.isSettled && i === 0) && (
                  <Press
                    kind="plain"
                    aria-expanded={open === i}
                    onClick={() => props.onOpen(open === i ? null : i)}
                  >
                    {open === i ? 'close' : `This is it: mend it (${cause.mendMinutes} min)`}
                  </Press>
                )}
                {open === i && <Mend cause={cause} index={i} onMended={() => props.onMended(i)} />}
              </Box>
            </Flex>
          </Box>
        ))}
      </Box>
      {found.causes.length > shownAtFirst && (
        <Press kind="plain" onClick={() => setWhole(!isWhole)} aria-expanded={isWhole}>
          {isWhole ? 'Show the likeliest alone' : `${found.causes.length - shownAtFirst} less likely ones`}
        </Press>
      )}
      {found.ruledOut.length > 0 && (
        <Box mt="10px">
          <Press kind="plain" onClick={() => setRuledOpen(!isRuledOpen)} aria-expanded={isRuledOpen}>
            Ruled out: {count(found.ruledOut.length, 'other')}
          </Press>
          {isRuledOpen && (
            <Box as="ul" listStyleType="none" fontSize="small" mt="4px">
              {found.ruledOut.map((one) => (
                <Box as="li" key={one.sentence} py="4px">
                  {one.sentence}{' '}
                  <Text as="span" color="quiet">
                    No: {seen[one.by]}
                  </Text>
                </Box>
              ))}
            </Box>
          )}
        </Box>
      )}
    </Box>
  )
}

const sure = (share: number) =>
  share >= 0.995 ? 'sure' : share < 0.01 ? '< 1 %' : `${Math.round(share * 100)} %`
