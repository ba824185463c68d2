// The service worker, built with the names of all files of this version.
import { createHash } from 'node:crypto'
import { existsSync, readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { build } from 'esbuild'

const entry = fileURLToPath(new URL('../../app/service/sw.ts', import.meta.url))
/** Beside what is bundled: the first page, which every address begins with, and the mark. */
const OTHERS = ['/', '/mark.svg']

/** Writes sw.js into the folder of what is served. */
export async function buildServiceWorker(folder) {
  const bundled = join(folder, '_nuxt')
  if (!existsSync(bundled)) return
  const names = readdirSync(bundled, { recursive: true, withFileTypes: true })
    .filter((entry) => entry.isFile() && !/\.(gz|br|map)$/.test(entry.name))
    .map((entry) => join(entry.parentPath, entry.name).slice(folder.length))
    .sort()
  const hash = createHash('sha256')
  for (const name of names) hash.update(name).update(readFileSync(join(folder, name)))
  const given = { version: hash.digest('hex').slice(0, 16), files: [...OTHERS, ...names] }
  await build({
    entryPoints: [entry],
    outfile: join(folder, 'sw.js'),
    bundle: true,
    format: 'iife',
    target: 'es2022',
    minify: true,
    define: { GIVEN: JSON.stringify(given) },
    logLevel: 'error',
  })
}
