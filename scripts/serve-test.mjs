// Throwaway clusters with demo data, each with a built server of its own, for the browser tests and
// screenshots: one for every worker, so that no worker meets what another has changed. Ends with its
// parent.
import { randomBytes } from 'node:crypto'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { build, runAsync } from './lib/project.mjs'
import { startCluster, stopCluster } from './lib/cluster.mjs'
import { backUpNight } from './lib/nightly.mjs'
import { end, serve } from './lib/serve.mjs'
import { migrate } from './migrate.mjs'

const first = Number(process.env.E2E_PORT ?? 21301)
const count = Number(process.env.E2E_SERVERS ?? 1)
const ports = Array.from({ length: count }, (_, i) => first + i)
const placeOf = (port) => ({
  PG_TEST_BASE: join(tmpdir(), `gentle-arch-e2e.${process.getuid()}.${port}`),
  PG_TEST_PORT: String(port + 200),
})
const children = []
let closing = false
async function close(code) {
  if (closing) return
  closing = true
  await Promise.all(children.map((child) => end(child)))
  for (const port of ports) stopCluster(true, placeOf(port))
  process.exit(code)
}
for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP']) process.on(signal, () => void close(0))

async function start(port) {
  stopCluster(true, placeOf(port))
  const urls = startCluster(true, placeOf(port))
  await migrate(urls.MIGRATION_URL, urls.DATABASE_URL)
  const loaded = await runAsync(
    process.execPath,
    ['--import', 'tsx', 'scripts/load-demo.ts', '--demo'],
    { env: { ...process.env, ...urls } },
  )
  if (loaded !== 0) return close(1)
  // A folder for it is told where somebody wants to see one.
  if (process.env.E2E_BACKUPS) await backUpNight(process.env.E2E_BACKUPS, urls.MIGRATION_URL)
  const child = await serve({
    port,
    env: { ...urls, ARCH_SESSION_SECRET: randomBytes(32).toString('hex') },
  })
  children.push(child)
  child.on('exit', () => void close(1))
  console.log(`ready on ${port}`)
}
if ((await build()) !== 0) await close(1)
for (const port of ports) await start(port)
