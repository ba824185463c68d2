// A backup every night on its own: a folder with the newest of them, and a line for the owner.
import {
  existsSync,
  mkdirSync,
  readdirSync,
  readFileSync,
  renameSync,
  rmSync,
  writeFileSync,
} from 'node:fs'
import { join } from 'node:path'
import pg from 'pg'
import { backup } from './archive.mjs'

/** So many nights are kept. */
export const KEPT = 14
/** After so long without a good one it is made up for, also by day, ms. */
const OVERDUE_MS = 26 * 3_600_000
const NIGHT = /^night-\d{4}-\d\d-\d\d(-\d{6})?\.arch$/

const dayOf = (now) => now.toLocaleDateString('sv')
/** To the second: another database in the same folder, begun anew today, takes no backup's place. */
const nameOf = (now) =>
  `night-${dayOf(now)}-${now.toLocaleTimeString('sv').replaceAll(':', '')}.arch`

/** Is one wanted now: at the hour of the night, or as soon as it is overdue? */
export const isWanted = (now, lastGoodAt, hour = 2) =>
  lastGoodAt === null ||
  now - lastGoodAt > OVERDUE_MS ||
  (now.getHours() === hour && dayOf(now) !== dayOf(lastGoodAt))

/** When the last good backup was made; null where there is none. */
export async function lastGood(url) {
  return withClient(url, async (db) => {
    const { rows } = await db.query('select max(at) as at from backups where problem is null')
    return rows[0].at
  })
}

/**
 * Makes the backup of a night, tells the database of it, and lets go of the oldest beyond those that
 * are kept. What failed is told too, and takes no good one's place.
 *
 * @returns the file
 */
export async function backUpNight(folder, url, now = new Date()) {
  mkdirSync(folder, { recursive: true, mode: 0o700 })
  const name = nameOf(now)
  const file = join(folder, name)
  try {
    const bytes = backup(file, url)
    await withClient(url, async (db) => {
      const { rows } = await db.query('select client_id from erased order by at')
      noteErased(
        join(folder, 'erased.txt'),
        rows.map((r) => r.client_id),
      )
      await db.query('insert into backups (file, bytes) values ($1, $2)', [name, bytes])
    })
  } catch (error) {
    await withClient(url, (db) =>
      db.query('insert into backups (file, problem) values ($1, $2)', [name, error.message]),
    ).catch(() => undefined)
    throw error
  }
  const nights = readdirSync(folder).filter((other) => NIGHT.test(other))
  for (const old of nights.sort().slice(0, -KEPT)) rmSync(join(folder, old))
  return file
}

/** Adds ids to the list beside the backups; what stands there stays, whoever wrote it. */
function noteErased(list, ids) {
  const known = existsSync(list) ? readFileSync(list, 'utf8').split('\n') : []
  const all = [...new Set([...known, ...ids])].filter(Boolean)
  writeFileSync(`${list}.part`, all.map((id) => `${id}\n`).join(''), { mode: 0o600 })
  renameSync(`${list}.part`, list)
}

async function withClient(url, work) {
  const db = new pg.Client({ connectionString: url })
  await db.connect()
  try {
    return await work(db)
  } finally {
    await db.end()
  }
}
