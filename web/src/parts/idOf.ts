/** An id made of a name: small letters, digits and hyphens of any script, with a number where it is taken. */
export function idOf(name: string, taken: string[], nameless = 'room'): string {
  const stem =
    name
      .trim()
      .toLowerCase()
      .replace(/[^\p{L}\p{N}]+/gu, '-')
      .replace(/^-|-$/g, '')
      .slice(0, 60) || nameless
  let id = stem
  for (let n = 2; taken.includes(id); n++) id = `${stem}-${n}`
  return id
}
