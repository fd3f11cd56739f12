import type { PointerEvent } from 'react'
import { type HeldKind, useHand } from '../../state/hand'

/** Less than this is a press, not a drag. */
const leastPx = 6

/** Where the box was let go, as the page is then; what is done there the Stairs know. */
export type Drop = { socket?: string; box?: string; segment?: string }

export const dropEvent = 'altrin-drop'

/** What of the picture it is, the nearest first. */
export function placeOf(element: Element | null): Drop {
  const of = (name: string) => element?.closest<HTMLElement>(`[data-${name}]`)?.dataset[name]
  return { socket: of('socket'), box: of('box'), segment: of('ground') }
}

/** From the sheet out onto the Stairs: the sheet is closed as soon as the pointer leaves its place. */
export function dragKind(down: PointerEvent, held: () => HeldKind | null, begun: () => void) {
  if (down.button !== 0) return
  const { clientX: x, clientY: y } = down
  let isCarried = false
  const move = (now: globalThis.PointerEvent) => {
    if (!isCarried) {
      const kind = Math.hypot(now.clientX - x, now.clientY - y) < leastPx ? null : held()
      if (!kind) return
      isCarried = true
      useHand.getState().takeKind(kind)
      begun()
    }
    useHand.setState({ at: { x: now.clientX, y: now.clientY } })
  }
  const up = (end: globalThis.PointerEvent) => {
    window.removeEventListener('pointermove', move)
    window.removeEventListener('pointerup', up)
    window.removeEventListener('pointercancel', up)
    useHand.setState({ at: null })
    if (!isCarried || end.type === 'pointercancel') return
    const detail = placeOf(document.elementFromPoint(end.clientX, end.clientY))
    window.dispatchEvent(new CustomEvent<Drop>(dropEvent, { detail }))
  }
  window.addEventListener('pointermove', move)
  window.addEventListener('pointerup', up)
  window.addEventListener('pointercancel', up)
}
