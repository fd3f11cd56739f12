import type { BoxWords, HouseView } from '../api/types'

/** What the core says of a box. */
export const wordsOf = (house: HouseView, id: string): BoxWords | undefined =>
  house.boxes.find((one) => one.id === id)
