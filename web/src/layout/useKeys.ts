import { useEffect, useRef } from 'react'

const isTyping = (target: EventTarget | null) =>
  target instanceof HTMLElement &&
  (target.isContentEditable ||
    ['INPUT', 'TEXTAREA', 'SELECT'].includes(target.tagName) ||
    !!target.closest('[role=dialog]'))

/** Single keys for the whole page; none of them acts while somebody types or a dialog is open. */
export function useKeys(keys: Record<string, () => void>) {
  const latest = useRef(keys)
  latest.current = keys
  useEffect(() => {
    const press = (event: KeyboardEvent) => {
      if (event.ctrlKey || event.metaKey || event.altKey || isTyping(event.target)) return
      // Space presses the button that has the focus; it is no key of the page then.
      if (event.key === ' ' && event.target instanceof HTMLElement && event.target.closest('button, a'))
        return
      const act = latest.current[event.key]
      if (!act) return
      event.preventDefault()
      act()
    }
    window.addEventListener('keydown', press)
    return () => window.removeEventListener('keydown', press)
  }, [])
}
