// Backup and restore by PostgreSQL's own tools; passwords go by environment, never on a command
// line.
import { spawnSync } from 'node:child_process'
import { existsSync } from 'node:fs'
import pg from 'pg'
import { startCluster, stopCluster } from './cluster.mjs'
import { stop } from './project.mjs'

const tool = (name, url, args, stdio) => {
  const { hostname, port, username, password, pathname } = new URL(url)
  const env = {
    ...process.env,
    PGHOST: hostname,
    PGPORT: port || '5432',
    PGUSER: decodeURIComponent(username),
    PGPASSWORD: decodeURIComponent(password),
    PGDATABASE: pathname.slice(1),
  }
  const result = spawnSync(name, args, { env, stdio })
  if (result.status !== 0)
    throw new Error(`${name} failed${result.error ? `: ${result.error.message}` : ''}`)
}

/** The owner's URL: given, else of the private cluster, which is started when it is not running. */
function ownerUrl() {
  return process.env.MIGRATION_URL ?? process.env.DATABASE_URL ?? startCluster().MIGRATION_URL
}

/** Writes all data, schema and audit trail into one file. */
export function backup(file, url = ownerUrl()) {
  tool(
    'pg_dump',
    url,
    ['--format=custom', '--no-owner', '--no-privileges', `--file=${file}`],
    'inherit',
  )
}

/**
 * What the application's role may do, as the migrations grant it; a test holds the two against each
 * other.
 */
const GRANTS = [
  [
    'select, insert, update, delete',
    'shops, people, sign_in_tries, sign_in_known, clients, client_keys, fittings, fitting_parts, applied_commands, visits, models',
  ],
  ['select, insert, update', 'timers, bench_plans, heat_logs, writes, sessions'],
  ['select, insert, delete', 'double_readings, photos, scans, device_presets, due_items'],
  ['select, insert', 'audit, norms, bench_log'],
]

/** Restores into a database without shops; grants come back for the application's role. */
export async function restore(file, url = ownerUrl(), appRole = 'arch_app') {
  if (!existsSync(file)) stop(`${file}: there is no such file.`)
  const client = new pg.Client({ connectionString: url })
  await client.connect()
  try {
    const { rows } = await client.query("select to_regclass('public.shops') is not null as has")
    if (rows[0].has && (await client.query('select 1 from shops limit 1')).rows.length > 0)
      throw new Error(
        'This database holds data already. Restore into an empty one: move the data folder away first.',
      )
    tool(
      'pg_restore',
      url,
      [
        '--no-owner',
        '--no-privileges',
        '--clean',
        '--if-exists',
        `--dbname=${new URL(url).pathname.slice(1)}`,
        file,
      ],
      'inherit',
    )
    if (
      (await client.query('select 1 from pg_roles where rolname = $1', [appRole])).rows.length > 0
    ) {
      await client.query(`grant usage on schema public to ${pg.escapeIdentifier(appRole)}`)
      for (const [rights, tables] of GRANTS)
        await client.query(`grant ${rights} on ${tables} to ${pg.escapeIdentifier(appRole)}`)
    }
  } finally {
    await client.end()
  }
}

export { stopCluster }
