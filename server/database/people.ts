import type { Role } from '../../shared/permissions'
import { hashSecret, isOutdated, verifySecret } from '../security/secrets'
import type { At } from './places'
import type { Client } from './pool'
import { countTry, tryWasRight, type Attempt } from './signInTries'

export interface SignedIn {
  id: string
  shopId: string
  name: string
  role: Role
}

/** Somebody signed in, and where they work now. */
export interface AtWork extends SignedIn {
  placeId: string
}

const toPerson = (r: { id: string; shop_id: string; name: string; role: Role }): SignedIn => ({
  id: r.id,
  shopId: r.shop_id,
  name: r.name,
  role: r.role,
})
/** A try that was not judged: too many went before it. */
export interface MustWait {
  seconds: number
}
export const mustWait = (answer: object | null): answer is MustWait =>
  answer !== null && 'seconds' in answer

/**
 * The person with this name and password; null for any mismatch, with the same work and the same
 * answer whether the name exists or not. Demo people sign in without a password. The try is counted
 * before it is judged.
 */
export async function signIn(
  db: Client,
  attempt: Attempt,
  password: string,
): Promise<SignedIn | MustWait | null> {
  const seconds = await countTry(db, attempt)
  if (seconds > 0) return { seconds }
  const { rows } = await db.query(
    'select p.id, p.shop_id, p.name, p.role, p.password_hash, p.demo from people p where lower(p.login) = lower($1)',
    [attempt.login.trim()],
  )
  const person = rows[0]
  const good = await verifySecret(person?.password_hash ?? null, password)
  const isDemo = mayDemo() && person?.demo && person.password_hash === null
  if (!person || !(good || isDemo)) return null
  await tryWasRight(db, attempt)
  if (good && isOutdated(person.password_hash))
    await db.query('update people set password_hash = $2 where id = $1', [
      person.id,
      await hashSecret(password),
    ])
  return toPerson(person)
}

/** Gives a person the PIN that opens their locked pages; null takes it away. */
export async function keepPin(db: Client, personId: string, pin: string | null): Promise<void> {
  await db.query('update people set pin_hash = $2 where id = $1', [
    personId,
    pin === null ? null : await hashSecret(pin),
  ])
}

/** Demo people come without a password: never where a network reaches this, unless asked for. */
const mayDemo = () => process.env.ARCH_DEMO_PEOPLE !== 'no'

/** People of the demo shop, for the sign-in page; empty when no demo data is loaded. */
export async function demoPeople(
  db: Client,
): Promise<{ login: string; name: string; role: Role }[]> {
  if (!mayDemo()) return []
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

/** What tries of the one-time code are counted under. */
export const FIRST_OWNER = 'first-owner'

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

/** Those who work at a place's bench, or at none in particular: fitters first, then bench hands. */
export async function benchPeople(
  db: Client,
  { shopId, placeId }: At,
): Promise<{ name: string; role: Role }[]> {
  const { rows } = await db.query(
    `select name, role from people
     where shop_id = $1 and role in ('fitter', 'bench') and (place_id is null or place_id = $2)
     order by role = 'bench', name`,
    [shopId, placeId],
  )
  return rows
}
