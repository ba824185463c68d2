import type { PersonRow } from '../../shared/contracts'
import type { Role } from '../../shared/permissions'
import { isAtWork, SKILLS } from '../../shared/shopDetails'
import { hashSecret, isOutdated, oneTimeCode, verifySecret } from '../security/secrets'
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
    `select p.id, p.shop_id, p.name, p.role, p.password_hash, p.demo from people p
     where lower(p.login) = lower($1) and p.left_at is null`,
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
    "select login, name, role from people where demo and left_at is null order by case role when 'fitter' then 0 when 'bench' then 1 else 2 end",
  )
  return rows
}

/** A shop that nobody owns yet: its first owner has not taken their one-time code. */
const UNOWNED = `role = 'owner' and one_time_code_hash is not null and code_until is null
  and not exists (
    select 1 from people o where o.shop_id = people.shop_id and o.role = 'owner' and o.left_at is null
      and (o.password_hash is not null or o.demo)
  )`

/** Is there an owner who has not taken their one-time code yet? */
export async function awaitsFirstOwner(db: Client): Promise<boolean> {
  const { rows } = await db.query(`select 1 from people where ${UNOWNED} limit 1`)
  return rows.length > 0
}

/**
 * A new code for the first owner who has not come yet; null where nobody is awaited. What was printed before opens
 * nothing any more.
 */
export async function renewFirstCode(db: Client): Promise<string | null> {
  const code = oneTimeCode()
  const { rowCount } = await db.query(
    `update people set one_time_code_hash = $1 where id = (select id from people where ${UNOWNED} limit 1)`,
    [await hashSecret(code)],
  )
  return rowCount === 1 ? code : null
}

/** Whose code this is; null for none. */
async function ownerOfCode(db: Client, code: string, those: string): Promise<string | null> {
  const { rows } = await db.query(
    `select id, one_time_code_hash from people
     where one_time_code_hash is not null and left_at is null and ${those} for update`,
  )
  for (const row of rows)
    if (await verifySecret(row.one_time_code_hash, code.trim().toUpperCase())) return row.id
  return null
}

/** What whoever takes a code makes their own. */
interface Own {
  /** as the owner wrote it where not told */
  name?: string
  login: string
  password: string
}

/** Name, sign-in name and password for the code; 'taken' where somebody else signs in by that name. */
async function takeCode(
  db: Client,
  id: string,
  { name, login, password }: Own,
): Promise<SignedIn | 'taken'> {
  const other = await db.query('select 1 from people where lower(login) = lower($1) and id <> $2', [
    login,
    id,
  ])
  if (other.rows.length > 0) return 'taken'
  const { rows } = await db.query(
    `update people set name = coalesce($2, name), login = $3, password_hash = $4,
       one_time_code_hash = null, code_until = null
     where id = $1
     returning id, shop_id, name, role`,
    [id, name ?? null, login, await hashSecret(password)],
  )
  return toPerson(rows[0])
}

/**
 * Turns the one-time code into an owner with a name and a password; null when the code is wrong. The first owner
 * does everything until others are there.
 */
export async function claimOwner(
  db: Client,
  code: string,
  own: Required<Own>,
): Promise<SignedIn | 'taken' | null> {
  const id = await ownerOfCode(db, code, UNOWNED)
  if (!id) return null
  await db.query('update people set skills = $2 where id = $1', [id, SKILLS.map(([kind]) => kind)])
  return takeCode(db, id, own)
}

/** Takes up an invitation, or a new password; null when no such code waits, or it ran out. */
export async function claimCode(
  db: Client,
  code: string,
  own: Own,
): Promise<SignedIn | 'taken' | null> {
  const id = await ownerOfCode(db, code, 'code_until > now()')
  return id === null ? null : takeCode(db, id, own)
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

/**
 * Those who work at a place's bench, or at none in particular, on a day: fitters first, then bench hands. An owner
 * counts where they work at the bench; who was invited counts once they came.
 */
export async function benchPeople(
  db: Client,
  { shopId, placeId }: At,
  day: string,
): Promise<{ name: string; role: Role }[]> {
  const { rows } = await db.query<Pick<PersonRow, 'name' | 'role' | 'hours' | 'daysOff'>>(
    `select name, role, hours, days_off as "daysOff" from people
     where shop_id = $1 and (role in ('fitter', 'bench') or role = 'owner' and 'bench' = any (skills))
       and (place_id is null or place_id = $2)
       and left_at is null and (password_hash is not null or demo)
     order by role = 'bench', role = 'owner', name`,
    [shopId, placeId],
  )
  return rows.filter((row) => isAtWork(row, day)).map(({ name, role }) => ({ name, role }))
}
