// Runs the command line from a cached bundle; bundles anew when any source is newer. Works from any
// folder, as any user.
import { createHash } from 'node:crypto'
import { existsSync, mkdirSync, readdirSync, renameSync, statSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { dirname, join, resolve } from 'node:path'
import { fileURLToPath, pathToFileURL } from 'node:url'

const root = resolve(dirname(fileURLToPath(import.meta.url)), '..')

/** Newest change and number of all sources: the bundle's key. */
function sourceKey() {
  const hash = createHash('sha256')
  const walk = (dir) => {
    for (const entry of readdirSync(dir, { withFileTypes: true }).sort((a, b) =>
      a.name < b.name ? -1 : 1,
    )) {
      const path = join(dir, entry.name)
      if (entry.isDirectory()) walk(path)
      else hash.update(`${path}:${statSync(path).mtimeMs}:${statSync(path).size}\n`)
    }
  }
  for (const dir of ['core', 'cli']) walk(join(root, dir))
  return hash.digest('hex').slice(0, 16)
}

/** The bundle's place: in the project when it is writable, else in the user's temporary folder. */
function cacheDirectory() {
  for (const dir of [
    join(root, '.cache', 'arch'),
    join(tmpdir(), `gentle-arch-cli-${process.getuid?.() ?? 0}`),
  ]) {
    try {
      mkdirSync(dir, { recursive: true, mode: 0o700 })
      writeFileSync(join(dir, '.writable'), '')
      return dir
    } catch {
      continue
    }
  }
  throw new Error('arch: no folder to keep the bundle in')
}

const directory = cacheDirectory()
const bundle = join(directory, `${sourceKey()}.mjs`)
if (!existsSync(bundle)) {
  if (!existsSync(join(root, 'node_modules', 'esbuild'))) {
    process.stderr.write(
      'arch: the packages are missing. Run npm ci in the project folder first.\n',
    )
    process.exit(2)
  }
  const { build } = await import('esbuild')
  const result = await build({
    entryPoints: [join(root, 'cli', 'arch.ts')],
    bundle: true,
    platform: 'node',
    format: 'esm',
    target: 'node20',
    write: false,
    absWorkingDir: root,
    logLevel: 'error',
  })
  const partial = `${bundle}.${process.pid}`
  writeFileSync(partial, result.outputFiles[0].contents)
  renameSync(partial, bundle)
}
await import(pathToFileURL(bundle).href)
