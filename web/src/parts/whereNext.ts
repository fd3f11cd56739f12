/** The answer is drawn by then; what is still there stays. */
const mostMs = 1500

/**
 * Where the focus goes when what was pressed goes away by it: the same place in the list, which is then the next item's; where nothing
 * is left, the heading over it. Asked before the deed, done after it.
 */
export function whereNext(item: HTMLElement | null): () => void {
  const list = item?.parentElement
  const section = list?.parentElement
  const at = list ? [...list.children].indexOf(item) : -1
  const focus = () => {
    const left = section?.isConnected ? section : document.querySelector('[data-next]')?.parentElement
    const items = left?.querySelector('ul, ol')?.children ?? []
    const next = items[Math.min(at, items.length - 1)]
    const target =
      next?.querySelector<HTMLElement>('button, a[href]') ?? left?.querySelector<HTMLElement>('[data-next]')
    target?.focus()
  }
  return () => {
    const until = performance.now() + mostMs
    const look = () => {
      const isDrawn = !item?.isConnected && !document.querySelector('[data-pending]')
      if (!isDrawn && performance.now() < until) return void requestAnimationFrame(look)
      // Somebody who has gone on by himself is left alone.
      if (document.activeElement === document.body || document.activeElement === null) focus()
    }
    look()
  }
}
