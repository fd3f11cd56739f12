import type { MouseEvent } from 'react'
import { useTools } from '../../layout/JobContext'
import { focusOn } from '../../parts/focusOn'

/** A press chooses a card and shows its panel; a second one by key goes into the panel, by hand it puts it away. */
export function useCard(id: string, on: boolean) {
  const { select } = useTools()
  return (event: MouseEvent) => {
    const byKey = event.detail === 0
    if (on && byKey) return focusOn('[data-panel] :is(input, select)')
    select(on ? null : id)
  }
}
