/** Lines that are rows of a table: two runs of blanks or more between words. */
const isRow = (line: string) => (line.trim().match(/ {2,}/g)?.length ?? 0) > 1

/** Between columns two blanks are enough: blanks that all rows of a table share go, so that its columns still stand under one another. */
export function narrowed(lines: string[]): string[] {
  const plain = lines.map((line) => line.replaceAll('\t', '    '))
  const rows = plain.filter(isRow)
  if (rows.length < 2) return plain
  const width = Math.max(...rows.map((row) => row.length))
  const isBlank = (at: number) => rows.every((row) => (row[at] ?? ' ') === ' ')
  const gone = new Set<number>()
  for (let at = 2; at < width; at++) if (isBlank(at) && isBlank(at - 1) && isBlank(at - 2)) gone.add(at)
  return plain.map((line) => (isRow(line) ? [...line].filter((_, at) => !gone.has(at)).join('') : line))
}
