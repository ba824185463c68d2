// Forward migrations: every file of server/database/migrations once, in order, each in one
// transaction; a changed file is refused.
import { createHash } from 'node:crypto'
import { readdirSync, readFileSync } from 'node:fs'
import { dirname, join, resolve } from 'node:path'
import { fileURLToPath, pathToFileURL } from 'node:url'
import pg from 'pg'

const directory = resolve(dirname(fileURLToPath(import.meta.url)), '../server/database/migrations')
const LOCK = 4182026
/** For migrations: `select pg_temp.allow('select, insert', 'this, that')` lets the application do so. */
const ALLOW = `
  create or replace function pg_temp.allow(rights text, tables text) returns void
  language plpgsql as $allow$
  declare
    app text := current_setting('arch.app_role', true);
  begin
    if coalesce(app, '') not in ('', current_user) then
      execute format('grant %s on %s to %I', rights, tables, app);
    end if;
  end
  $allow$`

/**
 * Applies what is missing. MIGRATION_URL owns the schema; the role of DATABASE_URL gets the grants.
 * @returns names of the files applied now
 */
export async function migrate(migrationUrl, databaseUrl, from = directory) {
  const client = new pg.Client({ connectionString: migrationUrl })
  await client.connect()
  const applied = []
  try {
    await client.query('select pg_advisory_lock($1)', [LOCK])
    await client.query(
      'create table if not exists schema_migrations (name text primary key, sha256 text not null, at timestamptz not null default now())',
    )
    const known = new Map(
      (await client.query('select name, sha256 from schema_migrations')).rows.map((r) => [
        r.name,
        r.sha256,
      ]),
    )
    const files = readdirSync(from)
      .filter((f) => f.endsWith('.sql'))
      .sort()
    for (const gone of known.keys())
      if (!files.includes(gone))
        throw new Error(
          `The database holds migration ${gone}, which this program does not have. Use the newer program.`,
        )
    for (const name of files) {
      const sql = readFileSync(join(from, name), 'utf8')
      const sha256 = createHash('sha256').update(sql).digest('hex')
      if (known.get(name) === sha256) continue
      if (known.has(name))
        throw new Error(
          `Migration ${name} was changed after it was applied. Put it back and add a new one.`,
        )
      await client.query('begin')
      try {
        await client.query("select set_config('arch.app_role', $1, true)", [
          decodeURIComponent(new URL(databaseUrl).username),
        ])
        await client.query(ALLOW)
        await client.query(sql)
        await client.query('insert into schema_migrations (name, sha256) values ($1, $2)', [
          name,
          sha256,
        ])
        await client.query('commit')
        applied.push(name)
      } catch (error) {
        await client.query('rollback')
        throw new Error(`Migration ${name} failed and was rolled back: ${error.message}`)
      }
    }
  } finally {
    await client.end()
  }
  return applied
}

if (process.argv[1] && import.meta.url === pathToFileURL(process.argv[1]).href) {
  const { DATABASE_URL, MIGRATION_URL = DATABASE_URL } = process.env
  console.log(await migrate(MIGRATION_URL, DATABASE_URL))
}
