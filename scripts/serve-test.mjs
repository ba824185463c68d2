// A throwaway cluster with demo data and the built server, for the browser tests and screenshots. Ends with its parent.
import { randomBytes } from 'node:crypto'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { build, runAsync } from './lib/project.mjs'
import { startCluster, stopCluster } from './lib/cluster.mjs'
import { end, serve } from './lib/serve.mjs'
import { migrate } from './migrate.mjs'

const port = Number(process.env.E2E_PORT ?? 41301)
const place = {
  PG_TEST_BASE: join(tmpdir(), `gentle-arch-e2e.${process.getuid()}.${port}`),
  PG_TEST_PORT: String(port + 200),
}
let child = null
let closing = false
async function close(code) {
  if (closing) return
  closing = true
  if (child) await end(child)
  stopCluster(true, place)
  process.exit(code)
}
for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP']) process.on(signal, () => void close(0))

stopCluster(true, place)
const urls = startCluster(true, place)
await migrate(urls.MIGRATION_URL, urls.DATABASE_URL)
if (
  (await runAsync(process.execPath, ['--import', 'tsx', 'scripts/load-demo.ts', '--demo'], {
    env: { ...process.env, ...urls },
  })) !== 0
)
  await close(1)
if ((await build()) !== 0) await close(1)
child = await serve({
  port,
  env: { ...urls, ARCH_SESSION_SECRET: randomBytes(32).toString('hex') },
})
child.on('exit', () => void close(1))
console.log(`ready on ${port}`)
