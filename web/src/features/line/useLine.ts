import { usePlace } from '../../layout/usePlace'

/** What the panel of the line is called in the address; no box has such an id, for it holds a blank. */
export const lineId = 'the line'

export function useLine(): [boolean, () => void] {
  const { params, turn } = usePlace()
  const isOpen = params.get('box') === lineId
  return [isOpen, () => turn({ box: isOpen ? null : lineId, tab: null })]
}
