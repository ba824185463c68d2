// npm start: installs what is missing, starts PostgreSQL, migrates, loads demo data once, builds,
// serves, prints the address.
import { mkdirSync } from 'node:fs'
import { at, build, isFree, keptSecret, runAsync, say, stop } from './lib/project.mjs'
import { needDebian, needNpm } from './lib/packages.mjs'
import { runningNote, writeNote } from './lib/runNote.mjs'

const [major, minor] = process.versions.node.split('.').map(Number)
if (major < 20 || (major === 20 && minor < 19))
  stop(`Node 20.19 or newer is needed; this is ${process.version}.`)

const RUNNING = at('.data/running.json')
const other = runningNote(RUNNING)
if (other)
  stop(
    `Gentle Arch is running already${other.address ? `: ${other.address}` : ' (still starting)'}. Stop it there with Ctrl-C first.`,
  )
mkdirSync(at('.data'), { recursive: true })
writeNote(RUNNING)

/** Where it listens: this machine alone, unless the shop's network is meant. */
const host = process.env.HOST ?? '127.0.0.1'

let port = Number(process.env.PORT ?? 41300)
if (!(await isFree(port, host))) {
  if (process.env.PORT_IF_TAKEN !== 'next')
    stop(
      `Port ${port} is taken. Name another, for example: PORT=${port + 1} npm start, or PORT_IF_TAKEN=next npm start.`,
    )
  while (!(await isFree(port, host))) port++
}

const own = !process.env.DATABASE_URL
if (own) needDebian(['postgresql', 'fonts-wqy-microhei'])
needNpm()
const { serve, end } = await import('./lib/serve.mjs')
const { askHealth } = await import('./lib/health.mjs')
const { certificateFor, isLoopback, namesOf, ownHost } = await import('./lib/tls.mjs')
const { startCluster, stopCluster } = await import('./lib/cluster.mjs')
const { migrate } = await import('./migrate.mjs')
const { watch } = await import('./lib/watch.mjs')
const { isWanted, lastGood } = await import('./lib/nightly.mjs')

/** Between two looks whether a backup is wanted, ms. */
const NIGHT_LOOK_MS = 15 * 60_000

let watched = null
let closing = false
async function close(code) {
  if (closing) return
  closing = true
  const stopped = watched?.stop()
  if (watched?.child) await end(watched.child)
  await stopped
  if (own) {
    try {
      stopCluster()
    } catch {
      console.error('PostgreSQL could not be stopped; see scripts/pg.sh status.')
    }
  }
  process.exit(code)
}
for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP']) process.on(signal, () => void close(0))

try {
  if (own) say('starting PostgreSQL on loopback')
  const urls = own
    ? startCluster()
    : {
        DATABASE_URL: process.env.DATABASE_URL,
        MIGRATION_URL: process.env.MIGRATION_URL ?? process.env.DATABASE_URL,
      }
  const applied = await migrate(urls.MIGRATION_URL, urls.DATABASE_URL)
  if (applied.length > 0) say(`database brought up to date: ${applied.join(', ')}`)
  // Demo people sign in without a password: on somebody else's server, and in a network, they are
  // loaded and let in only when asked for.
  const isOpen = !isLoopback(host)
  const demo = own && !isOpen ? process.env.ARCH_DEMO !== 'no' : process.env.ARCH_DEMO === 'yes'
  if (
    (await runAsync(
      process.execPath,
      ['--import', 'tsx', 'scripts/load-demo.ts', ...(demo ? ['--demo'] : [])],
      { env: { ...process.env, ...urls } },
    )) !== 0
  )
    throw new Error('The first data could not be loaded; see above.')
  if (closing) await new Promise(() => undefined)
  if ((await build()) !== 0) throw new Error('The build failed; see above.')
  const tls = certificateFor(host, at('.data/tls'), process.env)
  const scheme = tls ? 'https' : 'http'
  const address = `${scheme}://${ownHost(host)}:${port}`
  const env = {
    ...urls,
    ARCH_SESSION_SECRET: process.env.ARCH_SESSION_SECRET ?? keptSecret('session-secret'),
    ARCH_DATA: at('.data'),
    ARCH_DEMO_PEOPLE: demo ? 'yes' : 'no',
    ARCH_ERASED_LIST: at('.data/erased.txt'),
  }
  /** The database of this folder is ours to start again; where it stands elsewhere now, the server follows. */
  function bringBack() {
    try {
      const now = startCluster()
      if (now.DATABASE_URL === env.DATABASE_URL) return
      Object.assign(env, now)
      watched.child?.kill()
    } catch (error) {
      console.error(`PostgreSQL does not start: ${error.message}`)
    }
  }
  // The first time it has to stand: what is broken is told at once, not tried again and again.
  let first = await serve({ port, quiet: true, env, host, tls })
  watched = watch({
    say: (words) => console.error(words),
    begin: async () => {
      const child = first ?? (await serve({ port, quiet: true, env, host, tls }))
      first = null
      return child
    },
    look: async () => {
      const status = await askHealth({ host: ownHost(host), port, isSafe: tls !== null })
      if (status === 503 && own && !closing) bringBack()
    },
  })
  writeNote(RUNNING, { address })
  // As every night, or made up for: what failed stands in the list of backups, and is tried again.
  const night = async () => {
    if (closing || !isWanted(new Date(), await lastGood(env.MIGRATION_URL))) return
    // A process of its own: while it writes, what runs here is watched and can be stopped.
    await runAsync(process.execPath, ['scripts/backup.mjs', '--night'], {
      env: { ...process.env, MIGRATION_URL: env.MIGRATION_URL },
    })
  }
  const nightly = () => void night().catch((error) => console.error(`No backup: ${error.message}`))
  if (own || process.env.ARCH_BACKUPS) {
    nightly()
    setInterval(nightly, NIGHT_LOOK_MS).unref()
  }
  console.log(`\nGentle Arch is ready: ${address}`)
  if (isOpen)
    for (const name of namesOf(host).filter((one) => !isLoopback(one)))
      console.log(`In this network: ${scheme}://${name}:${port}`)
  if (tls?.authority)
    console.log(
      `Each tablet trusts it once, by this file: ${tls.authority}\nIts SHA-256: ${tls.fingerprint}`,
    )
  if (isOpen && !tls)
    console.log('Without TLS what is sent can be read in the network: a proxy in front must do it.')
  if (isOpen && !demo)
    console.log('Demo people sign in from no network: ARCH_DEMO=yes lets them, for a trial.')
  console.log('Ctrl-C stops it and its database.')
} catch (error) {
  console.error(error.message)
  await close(1)
}
