import { type KeyboardEvent, type RefObject, useLayoutEffect, useRef } from 'react'

const cards = '[data-rove=card]'
const sockets = '[data-rove=socket]'

/**
 * The Stairs are one stop of the Tab key. Inside, Up and Down go along boxes and things, Right goes into a box's sockets and along them, Left
 * back and out; Page Up and Page Down go from tread to tread, Home and End to the ends.
 *
 * @param showEnd Draws the first or the last card at once.
 */
export function useRoving(
  ground: RefObject<HTMLElement | null>,
  selected: string | null,
  showEnd?: (end: 'Home' | 'End') => void,
) {
  const last = useRef<string | null>(null)
  const nameOf = (stop: HTMLElement) => stop.dataset.box ?? stop.dataset.thing ?? stop.dataset.socket ?? ''

  useLayoutEffect(() => {
    const stops = [...(ground.current?.querySelectorAll<HTMLElement>('[data-rove]') ?? [])]
    const here =
      stops.find((one) => nameOf(one) === last.current) ??
      stops.find((one) => nameOf(one) === selected) ??
      stops[0]
    for (const one of stops) one.tabIndex = one === here ? 0 : -1
  })

  const go = (to: HTMLElement | undefined) => {
    if (!to) return
    to.focus()
    to.scrollIntoView?.({ block: 'nearest', inline: 'nearest' })
  }
  return {
    onFocus: (event: React.FocusEvent) => {
      const stop = (event.target as HTMLElement).closest<HTMLElement>('[data-rove]')
      if (!stop) return
      for (const one of ground.current?.querySelectorAll<HTMLElement>('[data-rove][tabindex="0"]') ?? [])
        one.tabIndex = -1
      stop.tabIndex = 0
      last.current = nameOf(stop)
    },
    onKeyDown: (event: KeyboardEvent) => {
      const stop = (event.target as HTMLElement).closest<HTMLElement>('[data-rove]')
      if (!stop || event.ctrlKey || event.metaKey || event.altKey) return
      const all = [...(ground.current?.querySelectorAll<HTMLElement>(cards) ?? [])]
      const own = [...(stop.closest('[data-card]')?.querySelectorAll<HTMLElement>(sockets) ?? [])]
      const isCard = stop.dataset.rove === 'card'
      const card = isCard ? stop : stop.closest('[data-card]')?.querySelector<HTMLElement>(cards)
      const at = card ? all.indexOf(card) : -1
      const along = own.indexOf(stop)
      const treads = [...(ground.current?.querySelectorAll<HTMLElement>('[data-tread]') ?? [])]
      const tread = treads.findIndex((one) => one.contains(stop))
      const ways: Record<string, () => HTMLElement | undefined> = {
        ArrowDown: () => all[at + 1],
        ArrowUp: () => (isCard ? all[at - 1] : (card ?? undefined)),
        ArrowRight: () => (isCard ? (own[0] ?? all[at + 1]) : own[along + 1]),
        ArrowLeft: () => (isCard ? all[at - 1] : (own[along - 1] ?? card ?? undefined)),
        PageDown: () => treads[tread + 1]?.querySelector<HTMLElement>(cards) ?? undefined,
        PageUp: () => treads[tread - 1]?.querySelector<HTMLElement>(cards) ?? undefined,
        Home: () => ground.current?.querySelector<HTMLElement>(cards) ?? undefined,
        End: () => [...(ground.current?.querySelectorAll<HTMLElement>(cards) ?? [])].at(-1),
      }
      // Of a big house the ends are drawn when they are asked for.
      if (event.key === 'Home' || event.key === 'End') showEnd?.(event.key)
      const way = ways[event.key]
      if (!way) return
      event.preventDefault()
      go(way())
    },
  }
}
