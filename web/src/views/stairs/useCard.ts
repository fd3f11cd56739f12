import type { MouseEvent } from 'react'
import { useTools } from '../../layout/JobContext'
import { focusOn } from '../../parts/focusOn'
import { useMarks } from '../../state/marks'

/** A press chooses a card and shows its panel; a second one by key goes into the panel, by hand it puts it away. With Ctrl or Shift, or while
 * several are being marked, it marks a thing. */
export function useCard(id: string, on: boolean, canMark = false) {
  const { select } = useTools()
  return (event: MouseEvent) => {
    const { marked, toggle } = useMarks.getState()
    if (canMark && (marked.length > 0 || event.ctrlKey || event.metaKey || event.shiftKey)) {
      select(null)
      return toggle(id)
    }
    const byKey = event.detail === 0
    if (on && byKey) return focusOn('[data-panel] :is(input, select)')
    select(on ? null : id)
  }
}
