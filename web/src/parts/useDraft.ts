import { createContext, useContext, useEffect, useRef } from 'react'
import { useDrafts } from '../state/drafts'

/** Whose drafts these are: the job, the house, the box. */
export const DraftScope = createContext<{ place: string; about?: string }>({ place: '' })

/**
 * What is typed into one field until it is in force. An answer that arrives meanwhile changes what holds and not what is being typed;
 * what was refused or never sent stays through a change of section, card or stage and through a reload.
 */
export function useDraft(
  field: string,
  value: string,
  commit: (text: string) => Promise<string | undefined>,
) {
  const { place, about } = useContext(DraftScope)
  const key = `${place}/${field}`
  const kept = useDrafts((store) => store.kept[key])
  const sent = useRef<string | null>(null)

  // It came to hold while nobody was looking: sent, and the page loaded anew before the answer.
  const holdsNow = kept !== undefined && kept.text === value && sent.current === null
  useEffect(() => {
    if (holdsNow) useDrafts.getState().drop(key)
  }, [holdsNow, key])

  const put = async () => {
    const { drop, refuse } = useDrafts.getState()
    const draft = useDrafts.getState().kept[key]
    if (!draft) return
    const text = draft.text.trim()
    // Enter and then Tab is one deed.
    if (sent.current === text) return
    if (text === value) return drop(key)
    sent.current = text
    const problem = await commit(text)
    if (sent.current === text) sent.current = null
    if (problem) refuse(key, text, problem)
    else if (useDrafts.getState().kept[key]?.text.trim() === text) drop(key)
  }
  return {
    text: kept?.text ?? value,
    problem: kept?.problem,
    /** Typed and not on its way, as it is now and not when it was drawn: what is sent is not taken back by Escape. */
    isTyped: () => {
      const now = useDrafts.getState().kept[key]
      return now !== undefined && now.text !== value && sent.current !== now.text.trim()
    },
    type: (text: string) => useDrafts.getState().write(key, text, about),
    drop: () => useDrafts.getState().drop(key),
    put,
  }
}

/** The blanks of a form that is sent as a whole, kept like the other drafts until it was sent or given up. */
export function useFormDraft<T extends Record<string, unknown>>(form: string, blank: T) {
  const { place, about } = useContext(DraftScope)
  const key = `${place}/${form}`
  const kept = useDrafts((store) => store.kept[key])
  const values = { ...blank, ...(kept ? (JSON.parse(kept.text) as Partial<T>) : {}) }
  return {
    values,
    set: (change: Partial<T>) => {
      const now = useDrafts.getState().kept[key]
      const old = now ? (JSON.parse(now.text) as Partial<T>) : {}
      useDrafts.getState().write(key, JSON.stringify({ ...old, ...change }), about)
    },
    drop: () => useDrafts.getState().drop(key),
  }
}
