import type { Action, House } from '../api/types'

/** What one deed says as a whole: a box with all that is on its label, a line, the rooms of the house. */
type Whole = Record<string, unknown>

const house = ['name', 'country', 'building', 'rooms', 'runs', 'neighbours'] as const

const boxOf = (now: House, id: string) => now.devices?.find((one) => one.id === id)

/** The same of the house as it stands; nothing for a deed that names only what it changes. */
function standing(now: House, deed: Action): unknown {
  switch (deed.do) {
    case 'describe-house':
      return Object.fromEntries(house.map((key) => [key, now[key]]))
    case 'describe-device':
      return boxOf(now, deed.box.id)
    case 'describe-endpoint':
      return now.endpoints?.find((one) => one.id === deed.thing.id)
    case 'set-line':
      return now.line
    case 'set-wan':
      return boxOf(now, deed.device)?.wan
    case 'set-wifi':
      return boxOf(now, deed.device)?.wifi?.[deed.place]
    case 'set-uplink':
      return boxOf(now, deed.device)?.uplink
    case 'move-pool': {
      const server = boxOf(now, deed.device)?.lan?.dhcpServer
      return server && { start: server.start, end: server.end }
    }
  }
}

/** Where a deed keeps what it says as a whole; nothing: it is that itself. */
const placeOf: Partial<Record<Action['do'] & string, string | null>> = {
  'describe-house': null,
  'move-pool': null,
  'describe-device': 'box',
  'describe-endpoint': 'thing',
  'set-line': 'line',
  'set-wan': 'wan',
  'set-wifi': 'network',
  'set-uplink': 'uplink',
}

/** The deed with another whole in the place of its own. */
function withWhole(deed: Action, change: (said: Whole) => Whole): Action {
  const [place, all] = [deed.do && placeOf[deed.do], deed as unknown as Whole]
  if (place === null) return change(all) as unknown as Action
  const said = place && all[place]
  return said ? ({ ...all, [place]: change(said as Whole) } as unknown as Action) : deed
}

/** What the deeds were said of, to be kept with them until they are sent. */
export const saidOf = (drawn: House, deeds: Action[]): unknown[] =>
  deeds.map((deed) => standing(drawn, deed) ?? null)

/**
 * The deeds as they are meant of the house as it now stands: of what they say as a whole the person has changed a part, and the rest was
 * only what was drawn. Another change may have been answered, or come from somebody else, since that was drawn.
 */
export function rebase(deeds: Action[], of: unknown[], now: House): Action[] {
  return deeds.map((deed, i) => {
    const [base, current] = [of[i], standing(now, deed)]
    if (!base || !current) return deed
    return withWhole(deed, (said) => merged(base as Whole, said, current as Whole, together[deed.do ?? '']))
  })
}

/** What is chosen as one: half of it from another choice would be a socket of the wrong box. */
const together: Record<string, string[]> = {
  'set-line': ['device', 'port'],
  'set-uplink': ['radio', 'ssid', 'security', 'key'],
}

/** Of these the parts have their own fields; of any other the parts belong together: a place is a socket or a Wi-Fi, not half of each. */
const inParts = ['label', 'building']

function merged(base: Whole, said: Whole, now: Whole, asOne: string[] = []): Whole {
  const isChosen = asOne.some((key) => !areAlike(said[key], base[key]))
  const keys = new Set([...Object.keys(said), ...Object.keys(now)])
  const whole: Whole = {}
  for (const key of keys) {
    const value = asOne.includes(key)
      ? (isChosen ? said : now)[key]
      : one(key, base[key], said[key], now[key])
    if (value !== undefined && value !== null) whole[key] = value
  }
  return whole
}

function one(key: string, base: unknown, said: unknown, now: unknown): unknown {
  if (areAlike(said, base)) return now
  if (areAlike(now, base) || areAlike(now, said)) return said
  if (isListed(base) && isListed(said) && isListed(now)) return mergedLists(base, said, now)
  if (inParts.includes(key) && isWhole(said) && isWhole(now))
    return merged(isWhole(base) ? base : {}, said, now)
  return said
}

type Listed = Whole & { id: string }

function mergedLists(base: Listed[], said: Listed[], now: Listed[]): Listed[] {
  const [before, wanted] = [byId(base), byId(said)]
  const kept = now.flatMap((item) => {
    const [was, want] = [before.get(item.id), wanted.get(item.id)]
    if (want) return [merged(was ?? {}, want, item) as Listed]
    return was ? [] : [item]
  })
  const there = byId(now)
  return [...kept, ...said.filter((item) => !before.has(item.id) && !there.has(item.id))]
}

const byId = (items: Listed[]) => new Map(items.map((item) => [item.id, item]))
const isWhole = (value: unknown): value is Whole =>
  typeof value === 'object' && value !== null && !Array.isArray(value)
const isListed = (value: unknown): value is Listed[] =>
  Array.isArray(value) && value.every((item) => isWhole(item) && typeof item.id === 'string')

/** What is not named and what is named as nothing are the same. */
function areAlike(a: unknown, b: unknown): boolean {
  if (a === b || (a ?? null) === (b ?? null)) return true
  if (Array.isArray(a) && Array.isArray(b))
    return a.length === b.length && a.every((item, i) => areAlike(item, b[i]))
  if (!isWhole(a) || !isWhole(b)) return false
  return [...new Set([...Object.keys(a), ...Object.keys(b)])].every((key) => areAlike(a[key], b[key]))
}
