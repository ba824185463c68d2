import { randomBytes } from 'node:crypto'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { spawnSync } from 'node:child_process'
import type { TestProject } from 'vitest/node'
// @ts-expect-error plain script without types
import { startCluster, stopCluster } from '../../scripts/lib/cluster.mjs'
// @ts-expect-error plain script without types
import { build } from '../../scripts/lib/project.mjs'
// @ts-expect-error plain script without types
import { migrate } from '../../scripts/migrate.mjs'

declare module 'vitest' {
  interface ProvidedContext {
    urls: { MIGRATION_URL: string; DATABASE_URL: string }
    secret: string
  }
}

/**
 * One throwaway cluster with demo data for all server tests, and a built server to run against it.
 */
export default async function setup(project: TestProject) {
  const place = {
    PG_TEST_BASE: join(tmpdir(), `gentle-arch-server.${process.getuid?.() ?? 0}`),
    PG_TEST_PORT: '21700',
  }
  stopCluster(true, place)
  const urls = startCluster(true, place) as { MIGRATION_URL: string; DATABASE_URL: string }
  await migrate(urls.MIGRATION_URL, urls.DATABASE_URL)
  const demo = spawnSync(process.execPath, ['--import', 'tsx', 'scripts/load-demo.ts', '--demo'], {
    env: { ...process.env, ...urls },
    stdio: 'inherit',
  })
  if (demo.status !== 0 || (await build()) !== 0) throw new Error('demo data or build failed')
  project.provide('urls', urls)
  project.provide('secret', randomBytes(32).toString('hex'))
  return () => stopCluster(true, place)
}
