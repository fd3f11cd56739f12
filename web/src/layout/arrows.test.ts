import { readdirSync, readFileSync } from 'node:fs'
import { dirname, join, normalize, relative } from 'node:path'
import { expect, it } from 'vitest'

const root = join(__dirname, '..')

/** The rehearsal of an order is drawn by the Stairs themselves. */
const allowed = ['views/work-order/Rehearsal.tsx -> views/stairs/Stairs']

const files = (readdirSync(root, { recursive: true }) as string[]).filter((file) => /\.tsx?$/.test(file))

/** Every import of one of our own files, as paths under `src`. */
const imports = files.flatMap((file) =>
  [...readFileSync(join(root, file), 'utf8').matchAll(/(?:from|import)\s*\(?'(\.[^']+)'/g)].map((found) => ({
    from: file,
    to: relative(root, normalize(join(root, dirname(file), found[1]))),
  })),
)

const stageOf = (file: string) => file.match(/^views\/([^/]+)\//)?.[1]

it('has a stage import no other stage', () => {
  const wrong = imports.filter(
    ({ from, to }) => stageOf(from) && stageOf(to) && stageOf(from) !== stageOf(to),
  )
  expect(wrong.map(({ from, to }) => `${from} -> ${to}`)).toEqual(allowed)
})

it('has features and parts import no stage', () => {
  const wrong = imports.filter(({ from, to }) => /^(features|parts|state|api)\//.test(from) && stageOf(to))
  expect(wrong.map(({ from, to }) => `${from} -> ${to}`)).toEqual([])
})
