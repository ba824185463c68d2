// npm run test:long: everything that is drawn by chance, whole: hundreds of scans, a thousand
// devices, thousands of records, kills. ARCH_SEED gives a seed again; without it each day has its
// own.
import { readdirSync, readFileSync } from 'node:fs'
import { needDebian, needNpm } from './lib/packages.mjs'
import { at, say } from './lib/project.mjs'
import { close, vitest } from './lib/testRuns.mjs'

needDebian(['postgresql', 'admesh'])
needNpm()

const DAY_MS = 86_400_000
const seed = process.env.ARCH_SEED ?? String(Math.floor(Date.now() / DAY_MS))
say(`ARCH_SEED=${seed}`)
const env = { ARCH_EFFORT: 'long', ARCH_SEED: seed }
/** Files in which something is drawn by chance: the others say the same in either run. */
const drawn = readdirSync(at('tests'), { recursive: true })
  .map((name) => `tests/${name}`)
  .filter((name) => name.endsWith('.test.ts'))
  .filter(
    (name) => name.endsWith('.long.test.ts') || readFileSync(at(name), 'utf8').includes("/effort'"),
  )
const isServer = (name) => name.startsWith('tests/server/')
await vitest('core, whole', ['core'], { env, files: drawn.filter((name) => !isServer(name)) })
await vitest('server, whole', ['server'], { env, files: drawn.filter(isServer) })
close()
