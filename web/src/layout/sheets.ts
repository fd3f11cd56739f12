import { type ComponentType, lazy } from 'react'

const loads: (() => Promise<unknown>)[] = []

const sheet = (load: () => Promise<{ default: ComponentType<{ onClose: () => void }> }>) => {
  loads.push(load)
  return lazy(load)
}

/** Sheets that lie over any stage, by the word in the address; each is fetched when it is first opened. */
export const sheets = {
  reach: {
    title: 'Who reaches whom',
    Body: sheet(() => import('../views/stairs/ReachSheet').then((it) => ({ default: it.ReachSheet }))),
  },
  add: {
    title: 'Add a box or a thing',
    Body: sheet(() => import('../views/stairs/AddBoxSheet').then((it) => ({ default: it.AddBoxSheet }))),
  },
  paste: {
    title: 'What the laptop shows',
    Body: sheet(() => import('../views/visit/PasteSheet').then((it) => ({ default: it.PasteSheet }))),
  },
  keys: { title: 'Keys', Body: sheet(() => import('./KeysSheet').then((it) => ({ default: it.KeysSheet }))) },
  log: {
    title: 'What was changed',
    Body: sheet(() => import('./LogSheet').then((it) => ({ default: it.LogSheet }))),
  },
  phone: { title: 'Phone', Body: sheet(() => import('./JobPhone').then((it) => ({ default: it.JobPhone }))) },
  moved: {
    title: 'The laptop has another address',
    Body: sheet(() => import('./MovedSheet').then((it) => ({ default: it.MovedSheet }))),
  },
  find: { title: 'Find', Body: sheet(() => import('./FindSheet').then((it) => ({ default: it.FindSheet }))) },
  verdict: {
    title: 'Verdict',
    Body: sheet(() => import('./VerdictDrawer').then((it) => ({ default: it.VerdictDrawer }))),
  },
} as const

export type SheetName = keyof typeof sheets

export const isSheet = (name: string | null): name is SheetName => name !== null && name in sheets

/** All of them beforehand: a phone goes on when the laptop that has them is away. */
export const fetchSheets = () => Promise.all(loads.map((load) => load()))
