import { useRef, useState } from 'react'

/** Runs one thing at a time: while it is under way a second press does nothing, and the control says that it is busy. */
export function useBusy() {
  const running = useRef(false)
  const [busy, setBusy] = useState(false)
  const run = async (work: () => unknown) => {
    if (running.current) return
    const going = work()
    if (!(going instanceof Promise)) return
    running.current = true
    setBusy(true)
    try {
      await going
    } finally {
      running.current = false
      setBusy(false)
    }
  }
  return { busy, run }
}
