import { type KeyboardEvent, type RefObject, useLayoutEffect } from 'react'

/** A list of links that is one stop of the Tab key: the arrows go along it. */
export function useArrowList(list: RefObject<HTMLElement | null>) {
  const links = () => [...(list.current?.querySelectorAll<HTMLElement>('a') ?? [])]
  useLayoutEffect(() => {
    const all = links()
    const here = all.find((one) => one.getAttribute('aria-current')) ?? all[0]
    for (const one of all) one.tabIndex = one === here || one === document.activeElement ? 0 : -1
  })
  return (event: KeyboardEvent) => {
    if (event.ctrlKey || event.metaKey || event.altKey) return
    const all = links()
    const at = all.indexOf(event.target as HTMLElement)
    const to = { ArrowDown: at + 1, ArrowUp: at - 1, Home: 0, End: all.length - 1 }[event.key]
    if (at < 0 || to === undefined || !all[to]) return
    event.preventDefault()
    for (const one of all) one.tabIndex = one === all[to] ? 0 : -1
    all[to].focus()
  }
}
