// Backup and restore by PostgreSQL's own tools; passwords go by environment, never on a command
// line.
import { spawnSync } from 'node:child_process'
import {
  closeSync,
  existsSync,
  fsyncSync,
  openSync,
  readFileSync,
  renameSync,
  rmSync,
  statSync,
} from 'node:fs'
import { dirname, join, resolve } from 'node:path'
import pg from 'pg'
import { startCluster, stopCluster } from './cluster.mjs'
import { migrate } from '../migrate.mjs'
import { at, stop } from './project.mjs'

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
export function ownerUrl() {
  return process.env.MIGRATION_URL ?? process.env.DATABASE_URL ?? startCluster().MIGRATION_URL
}

/** Kept out of every backup: whoever restores one signs in anew. */
const LEFT_OUT = ['sessions', 'sign_in_tries', 'sign_in_known']

/**
 * Writes all data, schema and audit trail into one file that only its owner can read. It gets its
 * name once it has been read back whole, so that a file of that name is always good.
 *
 * @returns its size, bytes
 */
export function backup(file, url = ownerUrl()) {
  const part = `${file}.part`
  rmSync(part, { force: true })
  closeSync(openSync(part, 'wx', 0o600))
  try {
    tool(
      'pg_dump',
      url,
      [
        '--format=custom',
        '--no-owner',
        '--no-privileges',
        ...LEFT_OUT.map((table) => `--exclude-table-data=${table}`),
        `--file=${part}`,
      ],
      'inherit',
    )
    tool('pg_restore', url, ['--file=/dev/null', part], 'inherit')
    sync(part)
    renameSync(part, file)
    sync(dirname(resolve(file)))
    return statSync(file).size
  } catch (error) {
    rmSync(part, { force: true })
    throw error
  }
}
function sync(path) {
  const handle = openSync(path, 'r')
  fsyncSync(handle)
  closeSync(handle)
}

function withUser(url, user) {
  const other = new URL(url)
  other.username = encodeURIComponent(user)
  return other.href
}

/** Ids of erased clients that lists beside a backup and of this machine name. */
function erasedIds(file) {
  const lists = [join(dirname(resolve(file)), 'erased.txt'), at('.data/erased.txt')]
  const lines = lists.flatMap((list) =>
    existsSync(list) ? readFileSync(list, 'utf8').split('\n') : [],
  )
  return [...new Set(lines.filter((line) => /^[0-9a-f-]{36}$/.test(line)))]
}
/** Whoever was erased since a backup was made is erased again. */
async function eraseAgain(client, ids) {
  await client.query('begin')
  await client.query(
    'insert into erased (client_id) select unnest($1::uuid[]) on conflict do nothing',
    [ids],
  )
  await client.query('delete from clients where id in (select client_id from erased)')
  await client.query('delete from client_keys where client_id in (select client_id from erased)')
  await client.query('commit')
}

/**
 * What the application's role may do, as the migrations grant it; a test holds the two against each
 * other.
 */
const GRANTS = [
  [
    'select, insert, update, delete',
    'shops, people, sign_in_tries, sign_in_known, clients, client_keys, fittings, fitting_parts, applied_commands, visits, models, shelf_taken, letters',
  ],
  ['select, insert, update', 'timers, bench_plans, heat_logs, writes, sessions, places'],
  [
    'select, insert, delete',
    'double_readings, photos, scans, device_presets, due_items, outcomes, busy_times',
  ],
  ['select, insert', 'audit, norms, bench_log, erased, due_marks'],
  ['select', 'backups'],
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
        '--single-transaction',
        '--exit-on-error',
        `--dbname=${new URL(url).pathname.slice(1)}`,
        file,
      ],
      'inherit',
    )
    // One from before a table was made has it by now.
    await migrate(url, withUser(url, appRole))
    await eraseAgain(client, erasedIds(file))
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
