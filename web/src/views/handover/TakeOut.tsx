import { Box, Flex, Text } from '@chakra-ui/react'
import { useState } from 'react'
import { exportPath } from '../../api/queries'
import type { HandoverView } from '../../api/types'
import { useJob } from '../../layout/JobContext'
import { CopyButton } from '../../parts/CopyButton'
import { PlainField } from '../../parts/PlainField'
import { Press } from '../../parts/Press'
import { Problem } from '../../parts/Problem'

/** Every kind that goes out: looked at, copied, saved. None holds a password. */
export function TakeOut({ kinds }: { kinds: HandoverView['kinds'] }) {
  const { job } = useJob()
  const [shown, setShown] = useState<{ kind: string; text: string }>()
  const [problem, setProblem] = useState<string>()
  const [at, setAt] = useState('')
  const more = (kind: string): Record<string, string> => (kind === 'visit.ics' && at ? { at } : {})
  const look = async (kind: string) => {
    if (shown?.kind === kind) return setShown(undefined)
    const answer = await fetch(exportPath(job.id, kind, more(kind)))
    const text = await answer.text()
    if (answer.ok) {
      setShown({ kind, text })
      setProblem(undefined)
    } else {
      setShown(undefined)
      setProblem((JSON.parse(text) as { title?: string }).title ?? 'That did not work.')
    }
  }
  return (
    <Box mt="14px" maxW="860px">
      <Text color="quiet" fontSize="small">
        None of them contains a password. The spreadsheet version keeps accents right in programs that guess
        the encoding.
      </Text>
      <Problem mt="6px">{problem}</Problem>
      <Box as="ul" listStyleType="none" mt="6px">
        {kinds.map((one) => (
          <Box
            as="li"
            key={one.kind}
            borderTop="1px solid"
            borderColor="hairline"
            py="6px"
            data-kind={one.kind}
          >
            <Flex gap="2px 14px" wrap="wrap" align="center">
              <Box flex="1 1 260px" minW="0">
                <Text fontFamily="mono" fontWeight="600">
                  {one.kind}
                </Text>
                <Text fontSize="small" color="quiet">
                  {one.says}
                </Text>
              </Box>
              {one.isThere ? (
                <Flex gap="2px 10px" align="center" wrap="wrap">
                  {one.kind === 'visit.ics' && (
                    <PlainField
                      label="Begins"
                      width="170px"
                      mono
                      placeholder="2026-12-03T09:00"
                      value={at}
                      onChange={setAt}
                    />
                  )}
                  <Press kind="plain" aria-expanded={shown?.kind === one.kind} onClick={() => look(one.kind)}>
                    {shown?.kind === one.kind ? 'hide' : 'preview'}
                  </Press>
                  <a
                    className="textlink thumb"
                    href={exportPath(job.id, one.kind, more(one.kind))}
                    download={one.file}
                  >
                    save
                  </a>
                  {one.kind.endsWith('.csv') && (
                    <a
                      className="textlink thumb"
                      href={exportPath(job.id, one.kind, { spreadsheet: 'true' })}
                      download={one.file}
                    >
                      save for a spreadsheet
                    </a>
                  )}
                </Flex>
              ) : (
                <Text fontSize="small" color="quiet">
                  needs a plan: take one at Options
                </Text>
              )}
            </Flex>
            {shown?.kind === one.kind && (
              <Box mt="6px">
                <CopyButton value={shown.text} what={one.kind} said={`Copied ${one.kind}`} />
                <Box
                  as="pre"
                  tabIndex={0}
                  data-preview
                  maxH="320px"
                  overflow="auto"
                  border="1px solid"
                  borderColor="hairline"
                  p="8px"
                  fontSize="12px"
                  fontFamily="mono"
                  dir="ltr"
                >
                  {shown.text}
                </Box>
              </Box>
            )}
          </Box>
        ))}
      </Box>
    </Box>
  )
}
