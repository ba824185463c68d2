// Small things every script needs: where the project is, running commands, saying what is done.
import { spawn, spawnSync } from 'node:child_process'
import { createHash, randomBytes } from 'node:crypto'
import {
  chmodSync,
  existsSync,
  mkdirSync,
  readdirSync,
  readFileSync,
  statSync,
  writeFileSync,
} from 'node:fs'
import { createServer } from 'node:net'
import { dirname, join, resolve } from 'node:path'
import { fileURLToPath } from 'node:url'

export const root = resolve(dirname(fileURLToPath(import.meta.url)), '../..')
export const at = (...path) => join(root, ...path)
export const say = (text) => console.log(`• ${text}`)

/** Ends with a sentence, without a stack. */
export function stop(text, code = 1) {
  console.error(text)
  process.exit(code)
}

/** Runs a command with its output shown; returns its exit code. */
export function run(command, args, options = {}) {
  return spawnSync(command, args, { cwd: root, stdio: 'inherit', ...options }).status ?? 1
}

/** Runs the same without blocking, so that signals still reach us. */
export const runAsync = (command, args, options = {}) =>
  new Promise((done) =>
    spawn(command, args, { cwd: root, stdio: 'inherit', ...options })
      .on('exit', (code) => done(code ?? 1))
      .on('error', () => done(127)),
  )

/** Key of all sources that go into the build. */
export function sourceKey() {
  const hash = createHash('sha256')
  const walk = (path) => {
    const stat = statSync(path)
    if (stat.isDirectory()) for (const name of readdirSync(path).sort()) walk(join(path, name))
    else hash.update(path.slice(root.length)).update(readFileSync(path))
  }
  for (const name of [
    'app',
    'core',
    'server',
    'shared',
    'public',
    'nuxt.config.ts',
    'scripts/lib/workers.mjs',
    'scripts/lib/serviceWorker.mjs',
    'templateOptions.ts',
    'package-lock.json',
  ])
    if (existsSync(at(name))) walk(at(name))
  return hash.digest('hex')
}

const BUILD_KEY = at('.output', 'source-key')
export const isBuilt = () =>
  existsSync(BUILD_KEY) && readFileSync(BUILD_KEY, 'utf8') === sourceKey()

/** Builds when a source changed since the last build. */
export async function build() {
  if (isBuilt()) return 0
  say('building the application (about a minute)')
  const key = sourceKey()
  const code = await runAsync(process.execPath, ['node_modules/nuxt/bin/nuxt.mjs', 'build'], {
    env: { ...process.env, NODE_ENV: 'production', NUXT_TELEMETRY_DISABLED: '1' },
  })
  if (code === 0) writeFileSync(BUILD_KEY, key)
  return code
}

/** A secret kept in the data folder, readable by its owner only. */
export function keptSecret(name) {
  const path = at('.data', name)
  if (!existsSync(path)) {
    mkdirSync(at('.data'), { recursive: true })
    writeFileSync(path, randomBytes(32).toString('hex'), { mode: 0o600 })
  }
  chmodSync(path, 0o600)
  return readFileSync(path, 'utf8').trim()
}

/** Is the port free, on loopback where nothing else is said? */
export const isFree = (port, host = '127.0.0.1') =>
  new Promise((done) => {
    const probe = createServer()
      .once('error', () => done(false))
      .once('listening', () => probe.close(() => done(true)))
    probe.listen(port, host)
  })

export const wait = (ms) => new Promise((done) => setTimeout(done, ms))
