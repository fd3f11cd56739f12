import type { House, Stairs, Tread, UplinkView } from '../../../api/types'
import { Home } from './home'
import type { Placement } from './placement'
import { radioLinks } from './radioLinks'
import { Sheet } from './sheet'
import { cardH, streetY } from './sizes'
import { placeTread } from './tread'

/**
 * Places everything: nobody arranges boxes. A cable leaves its socket downwards into a lane of its own, runs level there, and
 * either drops onto its card or goes to the gutter left of all cards, down, and in again by a lane. So no line crosses a card or a
 * word.
 */
export function place(
  house: House,
  stairs: Stairs,
  joined: Map<string, string>,
  width: number,
  uplinks: UplinkView[] = [],
): Placement {
  const home = new Home(house, stairs, joined, uplinks)
  // A house of many boxes has a gutter wider than a phone: then the sheet is wider than the screen and is pushed sideways.
  let wide = width
  for (let tries = 1; ; tries++) {
    const placed = placeOn(new Sheet(home, wide))
    let most = 0
    for (const tread of placed.treads) {
      most = Math.max(most, tread.x + leastTread)
      for (const card of [...tread.boxes, ...tread.things]) most = Math.max(most, card.x + card.w)
    }
    if (most <= wide || tries === mostTries) return placed
    // On less than that it does not fit: a wider sheet never draws the cards in.
    wide = width + Math.ceil((most - width) / 80) * 80
  }
}

/** One on which nothing stands is seen all the same. */
const leastTread = 40

/** Two are enough for every house that was seen; more cards in a row may ask for one more. */
const mostTries = 8

function placeOn(sheet: Sheet): Placement {
  const { treads, loose } = sheet.home.stairs
  sheet.y = streetY
  const provider = treads.find((tread) => tread.depth === 0)
  const isBusy = provider && (provider.boxes.length > 0 || provider.things.length > 0)
  if (provider && isBusy) {
    sheet.y += 18
    placeTread(sheet, provider, null, 0)
  }
  const tops = treads.filter(
    (tread) => tread.depth > 0 && (!tread.parent || tread.parent === provider?.segment),
  )
  for (const tread of tops) descend(sheet, tread, isBusy ? sheet.sizes.indent : 0)
  const links = radioLinks(sheet)
  const aside = loose.length > 0 ? { y: sheet.y + 28, ids: loose } : null
  if (aside) sheet.y = aside.y + 30 + Math.ceil(loose.length / sheet.columns(sheet.width)) * (cardH + 10)
  return {
    width: sheet.width,
    height: sheet.y + 16,
    street: { y: streetY },
    treads: sheet.treads,
    wires: sheet.wires,
    radios: sheet.radios,
    links,
    loose: aside,
  }
}

/** A tread and, each a step to the right, what lies below it. */
function descend(sheet: Sheet, tread: Tread, x: number) {
  const placed = placeTread(sheet, tread, sheet.home.stepTo(tread), x)
  const inner = placed.boxes[0] ? placed.boxes[0].x : placed.x
  for (const child of sheet.home.below(tread))
    descend(sheet, child, Math.max(x + sheet.sizes.indent, inner + 4))
}
