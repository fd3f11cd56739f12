import { useEffect, useState } from 'react'
import { flushSync } from 'react-dom'

/** While the page is printed: then all is drawn that the window leaves out. */
export function useOnPaper(): boolean {
  const [onPaper, setOnPaper] = useState(false)
  useEffect(() => {
    const print = () => flushSync(() => setOnPaper(true))
    const after = () => setOnPaper(false)
    window.addEventListener('beforeprint', print)
    window.addEventListener('afterprint', after)
    return () => {
      window.removeEventListener('beforeprint', print)
      window.removeEventListener('afterprint', after)
    }
  }, [])
  return onPaper
}
