import { Box, Textarea } from '@chakra-ui/react'
import { useState } from 'react'
import { type Asked, compareShown } from '../../api/queries'
import type { Comparison, WorkStep } from '../../api/types'
import { useJob } from '../../layout/JobContext'
import { Press } from '../../parts/Press'
import { Problem } from '../../parts/Problem'
import { inHand } from '../../state/way'
import { ComparedRows } from './ComparedRows'

/** What the laptop's terminal shows, held against what the step said. */
export function Shown({ step, asked, onOther }: { step: WorkStep; asked: Asked; onOther: () => void }) {
  const { job } = useJob()
  const mine = inHand(asked)
  const [text, setText] = useState('')
  const [compared, setCompared] = useState<Comparison | null>(null)
  const [problem, setProblem] = useState<string>()
  if (step.expect.length === 0) return null
  const compare = async (shown: string) => {
    setProblem(undefined)
    try {
      const answer = await compareShown(job.id, asked, step.key, shown)
      setCompared(answer)
      if (!answer.source)
        setProblem(`Nothing in it is known here. Paste what the ${mine} shows for its address, or a ping.`)
    } catch (refused) {
      setProblem(refused instanceof Error ? refused.message : 'That did not work.')
    }
  }
  const isOther = compared?.rows.some((row) => row.isAsSaid === false)
  return (
    <Box as="details" mt="12px" className="no-print">
      <Box as="summary" cursor="pointer" color="spruce" fontSize="text" py="6px">
        Paste what the {mine} shows, to compare
      </Box>
      <Textarea
        aria-label={`What the ${mine} shows`}
        rows={3}
        bg="sheet"
        borderColor="quiet"
        borderRadius="4px"
        fontFamily="mono"
        fontSize={{ base: '16px', md: '14px' }}
        value={text}
        onChange={(event) => setText(event.target.value)}
        onPaste={(event) => {
          const pasted = event.clipboardData.getData('text')
          if (pasted && !text) void compare(pasted)
        }}
      />
      <Press mt="6px" disabled={!text.trim()} onClick={() => compare(text)}>
        Compare
      </Press>
      <Problem fontSize="small">{problem}</Problem>
      {compared?.source && (
        <Box mt="8px" aria-live="polite">
          <ComparedRows rows={compared.rows} nothing="the text does not say" />
          {isOther && (
            <Press mt="6px" kind="danger" onClick={onOther}>
              Something else: what may it mean?
            </Press>
          )}
        </Box>
      )}
    </Box>
  )
}
