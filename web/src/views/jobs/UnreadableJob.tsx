import { Box, Flex, Link, Text } from '@chakra-ui/react'
import { useMutation } from '@tanstack/react-query'
import { setBack } from '../../api/queries'
import type { JobLine } from '../../api/types'
import { Press } from '../../parts/Press'
import { say } from '../../state/notices'

/** A job whose stored state this version cannot read: nothing of it is lost, and it hides no other. */
export function UnreadableJob({ job, onMended }: { job: JobLine; onMended: () => void }) {
  const mend = useMutation({
    mutationFn: () => setBack(job.id, job.version),
    onSuccess: onMended,
    onError: (failed) => say(failed.message, 'problem'),
  })
  return (
    <Box py="12px" px="8px">
      <Text fontWeight="700" fontSize="17px" dir="auto">
        {job.name}
      </Text>
      <Text fontSize="small" color="brick">
        It cannot be read. {job.unreadable}
      </Text>
      <Flex gap="8px 16px" mt="6px" wrap="wrap" align="center">
        <Press onClick={() => mend.mutate()} disabled={mend.isPending}>
          Set it back to its last readable state
        </Press>
        <Link href={`/api/jobs/${job.id}/as-stored`} download color="spruce" fontSize="small">
          Take it out as it is stored
        </Link>
      </Flex>
    </Box>
  )
}
