import { Box, Flex, Heading, Text } from '@chakra-ui/react'
import { useState } from 'react'
import { jobFile } from '../../api/queries'
import { useJob } from '../../layout/JobContext'
import { PlainField } from '../../parts/PlainField'
import { Press } from '../../parts/Press'
import { Problem } from '../../parts/Problem'
import { Toggle } from '../../parts/Toggle'
import { say } from '../../state/notices'

/** The job as one file, for another laptop: both houses, the plan, the log; pictures and passwords only where somebody says so. */
export function WholeJob() {
  const { job } = useJob()
  const [withPhotos, setPhotos] = useState(true)
  const [withPasswords, setPasswords] = useState(false)
  const [phrase, setPhrase] = useState('')
  const [problem, setProblem] = useState<string>()
  const save = async () => {
    try {
      const file = await jobFile(job.id, withPhotos, withPasswords ? phrase : undefined)
      const link = document.createElement('a')
      link.href = URL.createObjectURL(file)
      link.download = file.name
      link.click()
      URL.revokeObjectURL(link.href)
      setProblem(undefined)
      say('The job file is saved. The phrase is not in it.')
    } catch (refused) {
      setProblem(refused instanceof Error ? refused.message : 'That did not work.')
    }
  }
  return (
    <Box as="section" mt="14px" maxW="860px" aria-label="The whole job">
      <Heading as="h3" textStyle="section">
        The whole job as one file
      </Heading>
      <Text fontSize="small" color="quiet">
        The house as found and as planned, and the log. On another laptop, import it at the list of jobs.
      </Text>
      <Flex gap="2px 18px" wrap="wrap">
        <Toggle label="With pictures" on={withPhotos} set={setPhotos} />
        <Toggle label="With passwords, sealed by a phrase" on={withPasswords} set={setPasswords} />
      </Flex>
      <Flex gap="10px" wrap="wrap" align="end">
        {withPasswords && (
          <PlainField
            label="Phrase"
            width="300px"
            value={phrase}
            hint="At least 12 letters: four words that do not belong together. Without it nobody opens them."
            onChange={setPhrase}
          />
        )}
        <Press onClick={save}>Save the job file</Press>
      </Flex>
      <Problem mt="6px">{problem}</Problem>
    </Box>
  )
}
