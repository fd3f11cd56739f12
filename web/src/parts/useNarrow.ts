import { useSyncExternalStore } from 'react'

const query = '(max-width: 999px)'

const listen = (changed: () => void) => {
  const list = window.matchMedia(query)
  list.addEventListener('change', changed)
  return () => list.removeEventListener('change', changed)
}

/** Whether the page is as narrow as a phone held in one hand. */
export const useNarrow = () => useSyncExternalStore(listen, () => window.matchMedia(query).matches)
