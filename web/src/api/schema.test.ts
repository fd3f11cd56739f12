// @vitest-environment node
import { readdirSync, readFileSync } from 'node:fs'
import { resolve } from 'node:path'
import Ajv2020 from 'ajv/dist/2020'
import { describe, expect, it } from 'vitest'

const root = `${resolve(import.meta.dirname, '../../..')}/`
const read = (path: string) => JSON.parse(readFileSync(root + path, 'utf8'))
const allows = new Ajv2020({ strict: false }).compile(read('docs/formats/altrin.network-1.schema.json'))

describe('the published schema', () => {
  it.each(readdirSync(`${root}docs/examples`))('allows docs/examples/%s', (name) => {
    expect(allows(read(`docs/examples/${name}`)), JSON.stringify(allows.errors)).toBe(true)
  })

  it.each(
    (read('tests/documents/refused.json') as unknown[]).map((document) => [
      JSON.stringify(document),
      document,
    ]),
  )('refuses %s, as the reader does', (_text, document) => {
    expect(allows(document)).toBe(false)
  })
})
