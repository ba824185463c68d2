import { mkdirSync } from 'node:fs'
import { fileURLToPath, pathToFileURL } from 'node:url'
import { buildSync } from 'esbuild'

/** A module of this folder, bundled with all it uses, as the application's workers are. */
export async function bundled<T>(name: string): Promise<T> {
  const here = (path: string) => fileURLToPath(new URL(path, import.meta.url))
  const outfile = here(`../../.cache/${name}.mjs`)
  mkdirSync(here('../../.cache'), { recursive: true })
  buildSync({
    entryPoints: [here(`./${name}.ts`)],
    outfile,
    bundle: true,
    format: 'esm',
    platform: 'node',
    logLevel: 'error',
  })
  return (await import(/* @vite-ignore */ pathToFileURL(outfile).href)) as T
}
