/** A number as people write it: with a comma or a point, with blanks around it, with a minus of either kind. NaN for anything else. */
export const numberIn = (text: string): number =>
  text.trim() === '' ? Number.NaN : Number(text.trim().replace('−', '-').replace(',', '.'))
