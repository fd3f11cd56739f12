import { useEffect, useRef } from 'react'
import { keyFor, type Shortcut, useShortcuts } from '../state/shortcuts'

const isTyping = (target: EventTarget | null) =>
  target instanceof HTMLElement &&
  (target.isContentEditable ||
    ['TEXTAREA', 'SELECT'].includes(target.tagName) ||
    // Into a box to tick nobody types.
    (target instanceof HTMLInputElement && !['checkbox', 'radio'].includes(target.type)))

const isInSheet = (target: EventTarget | null) =>
  target instanceof HTMLElement && !!target.closest('[role=dialog]')

type Keys = Partial<Record<Shortcut, () => unknown>> & {
  /** Digits: the stages. They go with the single keys. */
  stages?: (() => unknown)[]
  escape?: () => unknown
  undo?: () => unknown
  redo?: () => unknown
}

/**
 * Keys for the whole page. Single ones act only while nobody types and no sheet lies open, and not at all where they are switched off;
 * a key that is held down acts once. Escape is heard from inside a field too; Ctrl+Z undoes where there is no typing to undo.
 */
export function useKeys(keys: Keys) {
  const latest = useRef(keys)
  latest.current = keys
  useEffect(() => {
    const press = (event: KeyboardEvent) => {
      const acts = latest.current
      if (event.defaultPrevented || event.altKey) return
      const run = (act: (() => unknown) | undefined) => {
        if (!act) return
        event.preventDefault()
        if (!event.repeat) act()
      }
      const typing = isTyping(event.target)
      if (event.ctrlKey || event.metaKey) {
        if (typing || isInSheet(event.target)) return
        if (event.key.toLowerCase() === 'z') run(event.shiftKey ? acts.redo : acts.undo)
        if (event.key.toLowerCase() === 'y') run(acts.redo)
        return
      }
      if (isInSheet(event.target)) return
      if (event.key === 'Escape') return run(acts.escape)
      const { on, own } = useShortcuts.getState()
      if (typing || !on) return
      const stage = /^[1-9]$/.test(event.key) ? acts.stages?.[Number(event.key) - 1] : undefined
      if (stage) return run(stage)
      for (const [what, act] of Object.entries(acts))
        if (typeof act === 'function' && what !== 'escape' && keyFor(own, what as Shortcut) === event.key)
          return run(act)
    }
    window.addEventListener('keydown', press)
    return () => window.removeEventListener('keydown', press)
  }, [])
}
