import type { QueryCache, QueryKey } from '@tanstack/react-query'

/** What is asked, apart from the version of the house it is asked of: ['job', id, what, version, …] or ['job', id, what, side, version, …]. */
export function questionOf(key: QueryKey): { question: string; version: number } | null {
  const at = typeof key[3] === 'number' ? 3 : 4
  const version = key[at]
  if (key[0] !== 'job' || typeof version !== 'number') return null
  return { question: JSON.stringify(key.filter((_, n) => n !== at)), version }
}

/**
 * An answer about an earlier house goes when the same is answered of a later one: each edit brings new answers to all that is on screen, and eight
 * hours of them would pile up in the page. What is still shown stays until it is not.
 */
export function letGoOfOlder(answers: QueryCache) {
  return answers.subscribe((event) => {
    if (event.type !== 'updated' || event.action.type !== 'success') return
    const now = questionOf(event.query.queryKey)
    if (!now) return
    for (const one of answers.findAll({ queryKey: event.query.queryKey.slice(0, 3), type: 'inactive' })) {
      const older = questionOf(one.queryKey)
      if (older?.question === now.question && older.version < now.version) answers.remove(one)
    }
  })
}
