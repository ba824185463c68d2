// npm start: installs what is missing, starts PostgreSQL, migrates, loads demo data once, builds,
// serves, prints the address.
import { mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { at, build, isFree, keptSecret, runAsync, say, stop } from './lib/project.mjs'
import { needDebian, needNpm } from './lib/packages.mjs'

const [major, minor] = process.versions.node.split('.').map(Number)
if (major < 20 || (major === 20 && minor < 19))
  stop(`Node 20.19 or newer is needed; this is ${process.version}.`)

const RUNNING = at('.data/running.json')
const alive = (pid) => {
  try {
    process.kill(pid, 0)
    return true
  } catch (error) {
    return error.code === 'EPERM'
  }
}
try {
  const other = JSON.parse(readFileSync(RUNNING, 'utf8'))
  if (alive(other.pid))
    stop(
      `Gentle Arch is running already${other.address ? `: ${other.address}` : ' (still starting)'}. Stop it there with Ctrl-C first.`,
    )
} catch {
  // nobody is running, or the note is broken
}
mkdirSync(at('.data'), { recursive: true })
writeFileSync(RUNNING, JSON.stringify({ pid: process.pid }))
process.on('exit', () => rmSync(RUNNING, { force: true }))

let port = Number(process.env.PORT ?? 41300)
if (!(await isFree(port))) {
  if (process.env.PORT_IF_TAKEN !== 'next')
    stop(
      `Port ${port} is taken. Name another, for example: PORT=${port + 1} npm start, or PORT_IF_TAKEN=next npm start.`,
    )
  while (!(await isFree(port))) port++
}

const own = !process.env.DATABASE_URL
if (own) needDebian(['postgresql'])
needNpm()
const { serve, end } = await import('./lib/serve.mjs')
const { startCluster, stopCluster } = await import('./lib/cluster.mjs')
const { migrate } = await import('./migrate.mjs')

let child = null
let closing = false
async function close(code) {
  if (closing) return
  closing = true
  if (child) await end(child)
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
  // Demo people sign in without a password: on somebody else's server they are loaded only when
  // asked for.
  const demo = own ? process.env.ARCH_DEMO !== 'no' : process.env.ARCH_DEMO === 'yes'
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
  child = await serve({
    port,
    quiet: true,
    env: {
      ...urls,
      ARCH_SESSION_SECRET: process.env.ARCH_SESSION_SECRET ?? keptSecret('session-secret'),
    },
  })
  const address = `http://127.0.0.1:${port}`
  writeFileSync(RUNNING, JSON.stringify({ pid: process.pid, address }))
  child.on('exit', () => {
    if (!closing) {
      console.error('The server ended by itself; see the lines above.')
      void close(1)
    }
  })
  console.log(`\nGentle Arch is ready: ${address}\nCtrl-C stops it and its database.`)
} catch (error) {
  console.error(error.message)
  await close(1)
}
