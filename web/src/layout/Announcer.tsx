import { useEffect, useRef, useState } from 'react'
import type { HouseSummary } from '../api/types'
import { changeWords, verdictWords } from '../parts/words'
import { useJob } from './JobContext'

const spoken = (verdict: HouseSummary) => verdictWords(verdict).replaceAll(' · ', ', ')

/** Tells who listens what an edit has done to the verdict: once, politely, and only where it changed something. */
export function Announcer() {
  const { house, side } = useJob()
  const before = useRef<{ side: string; verdict: HouseSummary }>(null)
  const [words, setWords] = useState('')
  useEffect(() => {
    const old = before.current
    before.current = { side, verdict: house.verdict }
    if (!old) return
    const now = spoken(house.verdict)
    if (old.side !== side) return setWords(`${side === 'planned' ? 'Planned' : 'As found'}: ${now}`)
    if (now === spoken(old.verdict)) return
    setWords(`${now}; ${changeWords(old.verdict, house.verdict)}`)
  }, [house, side])
  return (
    <div role="status" aria-live="polite" className="sr-only" data-testid="announcer">
      {words}
    </div>
  )
}
