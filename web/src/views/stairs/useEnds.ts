import { useEffect, useRef } from 'react'

type Ends = { start: string; end: string }

/**
 * The two ends of a pool, each with a field of its own. They go together: whoever is quick sets the second before the first has been
 * answered, and before the answer has been drawn.
 */
export function useEnds(
  held: { start?: string | null; end?: string | null } | null | undefined,
  send: (start: string, end: string) => Promise<string | undefined>,
) {
  const start = held?.start ?? ''
  const end = held?.end ?? ''
  const last = useRef<Ends | null>(null)
  const unanswered = useRef(0)
  // Not when the answer comes but when it is drawn: in between the fields still know the ends from before.
  useEffect(() => {
    if (unanswered.current === 0) last.current = null
  }, [start, end])
  return {
    now: (): Ends => last.current ?? { start, end },
    put: async (start: string, end: string) => {
      const sent = { start, end }
      last.current = sent
      unanswered.current++
      const problem = await send(start, end)
      unanswered.current--
      if (problem && last.current === sent) last.current = null
      return problem
    },
  }
}
