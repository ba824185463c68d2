// npm run dev: the private database and Nuxt's development server with reloading.
import { spawn } from 'node:child_process'
import { at, keptSecret, runAsync } from './lib/project.mjs'
import { needDebian, needNpm } from './lib/packages.mjs'
import { startCluster } from './lib/cluster.mjs'

needDebian(['postgresql', 'fonts-wqy-microhei'])
needNpm()
const { migrate } = await import('./migrate.mjs')
const { buildWorkers } = await import('./lib/workers.mjs')
const workers = at('.cache/workers')
await buildWorkers(workers)
const urls = startCluster()
await migrate(urls.MIGRATION_URL, urls.DATABASE_URL)
await runAsync(process.execPath, ['--import', 'tsx', 'scripts/load-demo.ts', '--demo'], {
  env: { ...process.env, ...urls },
})
const child = spawn(
  process.execPath,
  [
    'node_modules/nuxt/bin/nuxt.mjs',
    'dev',
    '--host',
    '127.0.0.1',
    '--port',
    process.env.PORT ?? '41300',
  ],
  {
    cwd: at('.'),
    stdio: 'inherit',
    env: {
      ...process.env,
      ...urls,
      ARCH_WORKERS: workers,
      ARCH_SESSION_SECRET: keptSecret('session-secret'),
    },
  },
)
for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => child.kill(signal))
child.on('exit', (code) => process.exit(code ?? 0))
