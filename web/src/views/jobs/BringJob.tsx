import { Box, Flex, Text } from '@chakra-ui/react'
import { useQueryClient } from '@tanstack/react-query'
import { useState } from 'react'
import { bringJob } from '../../api/queries'
import { PlainField } from '../../parts/PlainField'
import { Press } from '../../parts/Press'
import { Problem } from '../../parts/Problem'
import { say } from '../../state/notices'

/** A job file that was chosen: its phrase is asked for, and it comes in as a new job. */
export function BringJob(props: { file: File; onClose: () => void; onBrought: (id: string) => void }) {
  const { file, onClose, onBrought } = props
  const queries = useQueryClient()
  const [phrase, setPhrase] = useState('')
  const [problem, setProblem] = useState<string>()
  const bring = async () => {
    try {
      const job = await bringJob(file, phrase || undefined)
      await queries.invalidateQueries({ queryKey: ['jobs'] })
      say(
        job.left.length ? job.left.join(' ') : `${job.name} is here.`,
        job.left.length ? 'problem' : undefined,
      )
      onClose()
      onBrought(job.id)
    } catch (refused) {
      setProblem(refused instanceof Error ? refused.message : 'That did not work.')
    }
  }
  return (
    <Box mt="10px" p="12px" border="1px solid" borderColor="hairline" maxW="560px" data-bring>
      <Text fontWeight="650" overflowWrap="anywhere">
        {file.name}
      </Text>
      <Flex mt="6px" gap="10px" wrap="wrap" align="end">
        <PlainField
          label="Its phrase, if it has passwords"
          width="300px"
          value={phrase}
          hint="Empty: they stay closed."
          onChange={setPhrase}
        />
        <Press kind="main" onClick={bring}>
          Import it
        </Press>
        <Press onClick={onClose}>Leave it</Press>
      </Flex>
      <Problem mt="6px">{problem}</Problem>
    </Box>
  )
}
