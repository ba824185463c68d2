// The bundle of the server's threads: one file with all it needs, its letters beside it.
import { execFileSync } from 'node:child_process'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { build } from 'esbuild'

const entry = fileURLToPath(new URL('../../server/work/worker.ts', import.meta.url))

/**
 * Bundles into a folder; what threads and server must share stays outside. A bundle that cannot be
 * loaded ends the build: threads that do not begin would leave their askers waiting.
 */
export async function buildWorkers(folder) {
  const outfile = join(folder, 'worker.cjs')
  await build({
    entryPoints: [entry],
    outfile,
    bundle: true,
    platform: 'node',
    format: 'cjs',
    target: 'node20',
    loader: { '.ttf': 'file' },
    external: ['piscina'],
    // Packages written as modules ask where they lie.
    define: { 'import.meta.url': 'bundleUrl' },
    banner: { js: "const bundleUrl = require('node:url').pathToFileURL(__filename).href" },
    sourcemap: 'linked',
    logLevel: 'error',
  })
  execFileSync(process.execPath, ['-e', `require(${JSON.stringify(outfile)})`])
}
