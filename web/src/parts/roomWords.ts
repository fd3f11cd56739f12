import type { House } from '../api/types'

/** What rooms were called when boxes and things were put into them, or boxes brought for them; each once. A listed room may go by its id. */
export const roomWords = (boxes: House['devices'], things: House['endpoints'] = []): string[] => [
  ...new Set([
    ...(boxes ?? []).flatMap((box) => [...(box.room ? [box.room] : []), ...(box.serves ?? [])]),
    ...things.flatMap((thing) => (thing.room ? [thing.room] : [])),
  ]),
]
