import { Box, Flex, Heading, Text } from '@chakra-ui/react'
import { Link as RouterLink } from 'react-router'
import { useJob, useTools } from '../../layout/JobContext'
import { WantLine } from '../../layout/WantLine'
import { complaintOf } from '../../parts/complaintOf'
import { Press } from '../../parts/Press'
import { whereNext } from '../../parts/whereNext'
import { say } from '../../state/notices'
import { NewWant } from './NewWant'

export function WantsPage() {
  const { house, job } = useJob()
  const { act } = useTools()
  /** The complaint that it would be, for a want that holds on paper. */
  const whyNot = (id: string) => {
    const need = house.document.needs?.find((one) => one.id === id)
    const word = need && complaintOf(need)
    return word && encodeURIComponent(word)
  }
  const remove = async (need: string, pressed: HTMLElement) => {
    const next = whereNext(pressed.closest('li'))
    const problem = await act([{ do: 'remove-need', need }])
    if (problem) say(problem.message, 'problem')
    else next()
  }
  return (
    <Box px={{ base: '16px', md: '24px' }} py="20px" maxW="860px">
      <Heading as="h2" textStyle="stage" mb="4px" tabIndex={-1} data-next>
        What the household wants
      </Heading>
      <Text color="quiet" mb="14px">
        Ask before you plug. Each sentence is computed, as found and as planned.
      </Text>
      {house.wants.length === 0 && (
        <Text mb="12px">
          Nothing yet. Write the first one below: that someone has internet is a good start.
        </Text>
      )}
      <Box
        as="ul"
        listStyleType="none"
        borderTop={house.wants.length ? '1px solid' : undefined}
        borderColor="hairline"
      >
        {house.wants.map((want) => (
          <Flex
            key={want.need}
            borderBottom="1px solid"
            borderColor="hairline"
            py="8px"
            justify="space-between"
            gap="12px"
            as="li"
          >
            <Box as="ul" listStyleType="none">
              <WantLine want={want} always />
              {want.met === 'yes' && whyNot(want.need) && (
                <Text as="li" fontSize="small" pl="66px">
                  <RouterLink className="textlink" to={`/job/${job.id}/fault?step=${whyNot(want.need)}`}>
                    It fails on site: why?
                  </RouterLink>
                </Text>
              )}
            </Box>
            <Press
              kind="plain"
              aria-label={`Remove: ${want.sentence}`}
              onClick={(event) => remove(want.need, event.currentTarget)}
            >
              remove
            </Press>
          </Flex>
        ))}
      </Box>
      <NewWant />
      <Text textStyle="small" mt="24px">
        Ways that hold these wants are searched and compared under{' '}
        <RouterLink to={`/job/${job.id}/options`} className="textlink">
          Options
        </RouterLink>
        .
      </Text>
    </Box>
  )
}
