import type { MouseEvent } from 'react'
import { useTools } from '../../layout/JobContext'

/** A press chooses a card and shows its panel; a second one by key goes into the panel, by hand it puts it away. */
export function useCard(id: string, on: boolean) {
  const { select } = useTools()
  return (event: MouseEvent) => {
    const byKey = event.detail === 0
    if (on && byKey)
      return document.querySelector<HTMLElement>('[data-panel] :is(input, select, button)')?.focus()
    select(on ? null : id)
  }
}
