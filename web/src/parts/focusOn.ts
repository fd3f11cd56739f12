let giveUp = () => {}

/**
 * Puts the focus on what the work goes on with, as soon as it is there and no dialog lies over it. A dialog that closes hands the focus back to
 * whoever had it before, a little later: then it is taken once more. Whoever presses a key or goes into a field meanwhile goes his own way, so
 * there is no harm in waiting long: a tired phone takes seconds to draw what comes next. Of two that are waited for the later is meant.
 */
export function focusOn(selector: string) {
  giveUp()
  const until = performance.now() + 10_000
  let held = 0
  let isLeft = false
  const leave = () => {
    isLeft = true
  }
  giveUp = leave
  window.addEventListener('keydown', leave, { capture: true, once: true })
  window.addEventListener('pointerdown', leave, { capture: true, once: true })
  const look = () => {
    const target = document.querySelector<HTMLElement>(selector)
    const isCovered = document.querySelector('[role=dialog]') !== null
    // No dialog hands back to a field of text: somebody, or what reads the page to him, has gone there.
    if (
      held > 0 &&
      document.activeElement !== target &&
      document.activeElement?.matches('input, textarea, select')
    )
      leave()
    if (!isLeft && target && !isCovered) {
      if (document.activeElement === target) held++
      else target.focus()
    }
    if (!isLeft && held < 8 && performance.now() < until) return void requestAnimationFrame(look)
    window.removeEventListener('keydown', leave, { capture: true })
    window.removeEventListener('pointerdown', leave, { capture: true })
  }
  look()
}

/** The card of a box or a thing on the Stairs. */
export const cardOf = (id: string) => `[data-box="${CSS.escape(id)}"], [data-thing="${CSS.escape(id)}"]`
