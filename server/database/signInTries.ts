import { createHash } from 'node:crypto'
import type { Client } from './pool'

/** Who tries to get in, and from where. */
export interface Attempt {
  login: string
  address: string
}

const keyOf = (kind: string, ...parts: string[]) =>
  createHash('sha256')
    .update([kind, ...parts.map((part) => part.trim().toLowerCase())].join('\n'))
    .digest('hex')

/** Tries that are free before one has to wait. */
const FREE = { pair: 3, address: 20, login: 30 } as const
/** After a day nothing is held against anybody. */
const FORGET = "interval '1 day'"

/**
 * Counts a try and says how long to wait before it may be judged; 0 where it may be judged now. The
 * count is one statement: tries at the same moment wait for each other and cannot share one.
 *
 * Wait after the free ones: 2, 4, 8 … seconds, 5 minutes at most.
 */
async function countOne(db: Client, key: string, free: number): Promise<number> {
  const wait = (tries: string) =>
    `make_interval(secs => case when ${tries} < $2 then 0 else least(300, 2 ^ least(9, ${tries} - $2 + 1)) end)`
  const counted = await db.query(
    `insert into sign_in_tries as t (key, tries) values ($1, 1)
     on conflict (key) do update
     set tries = case when t.last_at < now() - ${FORGET} then 1 else t.tries + 1 end,
       last_at = clock_timestamp()
     where t.last_at + ${wait('t.tries')} <= clock_timestamp()
     returning tries`,
    [key, free],
  )
  if (counted.rows.length > 0) return 0
  const { rows } = await db.query(
    `select ceil(extract(epoch from last_at + ${wait('tries')} - clock_timestamp()))::int as left
     from sign_in_tries where key = $1`,
    [key, free],
  )
  return Math.max(1, rows[0]?.left ?? 1)
}
const takeBack = (db: Client, keys: string[]) =>
  db.query('update sign_in_tries set tries = greatest(0, tries - 1) where key = any($1)', [keys])

/**
 * Counts a try before its password is looked at.
 *
 * A name is slowed where it is tried (name and address together). Where it never got in before, so
 * is the address for all it tries, and the name for all who try it. So nobody is kept out of where
 * they work by what others try, there or elsewhere.
 *
 * @returns seconds to wait; 0 where the try may be judged
 */
export async function countTry(db: Client, { login, address }: Attempt): Promise<number> {
  const known = await db.query('select 1 from sign_in_known where key = $1', [
    keyOf('known', login, address),
  ])
  const counts: [string, number][] = [[keyOf('pair', login, address), FREE.pair]]
  if (known.rows.length === 0)
    counts.push([keyOf('address', address), FREE.address], [keyOf('login', login), FREE.login])
  const done: string[] = []
  for (const [key, free] of counts) {
    const seconds = await countOne(db, key, free)
    if (seconds > 0) {
      await takeBack(db, done)
      return seconds
    }
    done.push(key)
  }
  return 0
}

/** Forgets tries that are held against nobody any more. */
export const forgetOldTries = (db: Client) =>
  db.query(`delete from sign_in_tries where last_at < now() - ${FORGET}`)

/** The try was right: nothing is held against this name here, and the address is known for it. */
export async function tryWasRight(db: Client, { login, address }: Attempt): Promise<void> {
  await db.query('delete from sign_in_tries where key = $1', [keyOf('pair', login, address)])
  const { rows } = await db.query<{ new: boolean }>(
    `insert into sign_in_known (key) values ($1) on conflict (key) do update set at = now()
     returning xmax = 0 as new`,
    [keyOf('known', login, address)],
  )
  if (rows[0]!.new) await takeBack(db, [keyOf('address', address), keyOf('login', login)])
}
