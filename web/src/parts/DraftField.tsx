import { Input, Text } from '@chakra-ui/react'
import { useEffect, useId, useState } from 'react'
import { fieldLook, Labelled } from './Labelled'

/**
 * A field that is typed into and then put in force by Enter or by leaving it. What the server refuses stays in the field with
 * the reason under it; Escape brings back what holds.
 */
export function DraftField(props: {
  label: string
  value: string
  width?: string
  mono?: boolean
  placeholder?: string
  commit: (text: string) => Promise<string | undefined>
}) {
  const { label, value, width = '170px', mono, placeholder, commit } = props
  const [draft, setDraft] = useState(value)
  const [problem, setProblem] = useState<string>()
  const id = useId()
  useEffect(() => {
    setDraft(value)
    setProblem(undefined)
  }, [value])

  const put = async () => {
    if (draft.trim() === value) return setProblem(undefined)
    setProblem(await commit(draft.trim()))
  }
  return (
    <Labelled label={label} id={id} width={width}>
      <Input
        id={id}
        size="sm"
        {...fieldLook}
        borderColor={problem ? 'brick' : 'quiet'}
        fontFamily={mono ? 'mono' : 'body'}
        placeholder={placeholder}
        spellCheck={false}
        autoComplete="off"
        aria-invalid={problem ? true : undefined}
        aria-describedby={problem ? `${id}-problem` : undefined}
        value={draft}
        onChange={(event) => setDraft(event.target.value)}
        onBlur={put}
        onKeyDown={(event) => {
          if (event.key === 'Enter') void put()
          if (event.key === 'Escape') {
            event.stopPropagation()
            setDraft(value)
            setProblem(undefined)
          }
        }}
      />
      {problem && (
        <Text id={`${id}-problem`} role="alert" color="brick" fontSize="13px" mt="2px">
          {problem}
        </Text>
      )}
    </Labelled>
  )
}
