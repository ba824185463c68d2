import { createHash } from 'node:crypto'
import type { Role } from '../../shared/permissions'
import { hashSecret, isOutdated, verifySecret } from '../security/secrets'
import type { Client } from './pool'

export interface SignedIn {
  id: string
  shopId: string
  name: string
  role: Role
}

const toPerson = (r: { id: string; shop_id: string; name: string; role: Role }): SignedIn => ({
  id: r.id,
  shopId: r.shop_id,
  name: r.name,
  role: r.role,
})
const loginHash = (login: string) =>
  createHash('sha256').update(login.trim().toLowerCase()).digest('hex')

/** Seconds to wait after so many failures in a row: 0, 0, 0, then 2, 4, 8 … up to 5 minutes. */
const waitSeconds = (failures: number): number =>
  failures < 3 ? 0 : Math.min(300, 2 ** (failures - 2))

/** Seconds left before another try with this name is taken. */
export async function secondsToWait(db: Client, login: string): Promise<number> {
  const { rows } = await db.query(
    'select failures, extract(epoch from now() - last_at) as ago from sign_in_failures where login_hash = $1',
    [loginHash(login)],
  )
  return rows[0] ? Math.max(0, Math.ceil(waitSeconds(rows[0].failures) - Number(rows[0].ago))) : 0
}

/**
 * The person with this name and password; null for any mismatch, with the same work and the same
 * answer whether the name exists or not. Demo people sign in without a password.
 */
export async function signIn(
  db: Client,
  login: string,
  password: string,
): Promise<SignedIn | null> {
  const { rows } = await db.query(
    'select p.id, p.shop_id, p.name, p.role, p.password_hash, p.demo from people p where lower(p.login) = lower($1)',
    [login.trim()],
  )
  const person = rows[0]
  const good = await verifySecret(person?.password_hash ?? null, password)
  if (person && (good || (person.demo && person.password_hash === null))) {
    await db.query('delete from sign_in_failures where login_hash = $1', [loginHash(login)])
    if (good && isOutdated(person.password_hash))
      await db.query('update people set password_hash = $2 where id = $1', [
        person.id,
        await hashSecret(password),
      ])
    return toPerson(person)
  }
  await db.query(
    `insert into sign_in_failures (login_hash, failures, last_at)
     values ($1, 1, now())
     on conflict (login_hash) do update
     set failures = sign_in_failures.failures + 1, last_at = now()`,
    [loginHash(login)],
  )
  return null
}

/** People of the demo shop, for the sign-in page; empty when no demo data is loaded. */
export async function demoPeople(
  db: Client,
): Promise<{ login: string; name: string; role: Role }[]> {
  const { rows } = await db.query(
    "select login, name, role from people where demo order by case role when 'fitter' then 0 when 'bench' then 1 else 2 end",
  )
  return rows
}

/** Is there an owner who has not taken their one-time code yet? */
export async function awaitsFirstOwner(db: Client): Promise<boolean> {
  const { rows } = await db.query(
    'select 1 from people where one_time_code_hash is not null limit 1',
  )
  return rows.length > 0
}

/**
 * Turns the one-time code into an owner with a name and a password; null when the code is wrong.
 */
export async function claimOwner(
  db: Client,
  code: string,
  name: string,
  login: string,
  password: string,
): Promise<SignedIn | null> {
  const { rows } = await db.query(
    'select id, one_time_code_hash from people where one_time_code_hash is not null for update',
  )
  for (const row of rows) {
    if (!(await verifySecret(row.one_time_code_hash, code.trim()))) continue
    const done = await db.query(
      `update people
       set name = $2, login = $3, password_hash = $4, one_time_code_hash = null
       where id = $1
       returning id, shop_id, name, role`,
      [row.id, name, login, await hashSecret(password)],
    )
    return toPerson(done.rows[0])
  }
  return null
}

/** A person's own fingers, mm; null until they calibrated them. */
export async function readFingers(
  db: Client,
  personId: string,
): Promise<{ one: number; two: number } | null> {
  const { rows } = await db.query(
    'select finger_one_mm::float8 as one, finger_two_mm::float8 as two from people where id = $1',
    [personId],
  )
  return rows[0]?.one == null || rows[0].two == null ? null : { one: rows[0].one, two: rows[0].two }
}

export async function keepFingers(
  db: Client,
  personId: string,
  { one, two }: { one: number; two: number },
): Promise<void> {
  await db.query('update people set finger_one_mm = $2, finger_two_mm = $3 where id = $1', [
    personId,
    one,
    two,
  ])
}

/** Those who work at the bench: fitters first, then bench hands. */
export async function benchPeople(
  db: Client,
  shopId: string,
): Promise<{ name: string; role: Role }[]> {
  const { rows } = await db.query(
    "select name, role from people where shop_id = $1 and role in ('fitter', 'bench') order by role = 'bench', name",
    [shopId],
  )
  return rows
}
