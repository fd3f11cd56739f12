import { readdirSync, readFileSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { brotliCompressSync, constants, gzipSync } from 'node:zlib'
import react from '@vitejs/plugin-react'
import type { Plugin } from 'vite'
import { defineConfig } from 'vitest/config'

/** What is built never changes, so it is compressed once, as small as it gets, and not at every fetch. */
const compressed = (): Plugin => ({
  name: 'compressed',
  apply: 'build',
  writeBundle({ dir = 'dist' }) {
    for (const name of readdirSync(join(dir, 'assets')).filter((one) => /\.(js|css)$/.test(one))) {
      const file = join(dir, 'assets', name)
      const bytes = readFileSync(file)
      writeFileSync(`${file}.gz`, gzipSync(bytes, { level: 9 }))
      writeFileSync(
        `${file}.br`,
        brotliCompressSync(bytes, {
          params: { [constants.BROTLI_PARAM_QUALITY]: 11, [constants.BROTLI_PARAM_SIZE_HINT]: bytes.length },
        }),
      )
    }
  },
})

export default defineConfig({
  plugins: [react(), compressed()],
  // Which file needs which: what the first stage weighs is counted from it.
  build: { manifest: true, outDir: 'dist', assetsInlineLimit: 0, chunkSizeWarningLimit: 1500 },
  server: { proxy: { '/api': 'http://127.0.0.1:5080' } },
  test: { environment: 'jsdom' },
})
