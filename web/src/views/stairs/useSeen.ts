import { type RefObject, useCallback, useEffect, useState } from 'react'
import { flushSync } from 'react-dom'
import { useOnPaper } from '../../parts/useOnPaper'

/** So many cards are drawn at once without being waited for. */
const fewCards = 150

/** How far the window moves before more is drawn, in CSS pixels. */
const step = 300

type Seen = { from: number; to: number; focused: string | null }

/**
 * Which cards of a big house are drawn: those in the window, with as much again above and below, and the one that has the focus. All of a small
 * one, and all of any on paper.
 */
export function useSeen(picture: RefObject<HTMLElement | null>, cards: number) {
  const isBig = cards > fewCards
  const onPaper = useOnPaper()
  const [asked, setAsked] = useState<string | null>(null)
  const [seen, setSeen] = useState<Seen>({ from: 0, to: 2 * window.innerHeight, focused: null })

  useEffect(() => {
    if (!isBig) return
    let frame = 0
    const look = () => {
      frame = 0
      const node = picture.current
      if (!node) return
      const top = -node.getBoundingClientRect().top
      const from = Math.floor((top - window.innerHeight) / step) * step
      const to = Math.ceil((top + 2 * window.innerHeight) / step) * step
      const card = node.contains(document.activeElement)
        ? document.activeElement?.closest('[data-card]')?.querySelector<HTMLElement>('[data-rove=card]')
        : null
      const focused = card?.dataset.box ?? card?.dataset.thing ?? null
      setSeen((old) =>
        old.from === from && old.to === to && old.focused === focused ? old : { from, to, focused },
      )
    }
    const soon = () => {
      frame ||= requestAnimationFrame(look)
    }
    // Whichever part of the page it is that scrolls.
    window.addEventListener('scroll', soon, true)
    window.addEventListener('resize', soon)
    look()
    return () => {
      cancelAnimationFrame(frame)
      window.removeEventListener('scroll', soon, true)
      window.removeEventListener('resize', soon)
    }
  }, [isBig, picture])

  const isSeen = useCallback(
    (id: string | null, at: { y: number; h: number }) =>
      !isBig ||
      onPaper ||
      (id !== null && (id === seen.focused || id === asked)) ||
      (at.y + at.h >= seen.from && at.y <= seen.to),
    [isBig, onPaper, seen, asked],
  )
  /** Draws a card at once, wherever it is. */
  const show = useCallback((id: string | undefined) => flushSync(() => setAsked(id ?? null)), [])
  return { isSeen, show }
}
