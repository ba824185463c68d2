import { randomUUID } from 'node:crypto'
import type { z } from 'zod'
import type { PersonRow, inviteBody, personChangeBody } from '../../shared/contracts'
import { hashSecret, oneTimeCode } from '../security/secrets'
import type { Client } from './pool'
import { endSessions } from './sessions'

/** So long a code opens. */
const CODE_DAYS = 7

/** Somebody of a shop. */
export interface Who {
  shopId: string
  personId: string
}

/** Everybody of a shop: those at work, those invited, and those who left, with what they can do and when. */
export async function listPeople(db: Client, shopId: string): Promise<PersonRow[]> {
  const { rows } = await db.query<PersonRow>(
    `select id, name, role, case when password_hash is null and not demo then '' else login end as login,
       place_id as "placeId", skills, hours, days_off as "daysOff", left_at as "leftAt",
       case when one_time_code_hash is not null then code_until end as "codeUntil",
       case when left_at is not null then 'left'
         when password_hash is null and not demo then 'invited' else 'here' end as state
     from people where shop_id = $1 order by left_at is not null, name`,
    [shopId],
  )
  return rows
}

/** One of them, and nobody of the shop changes until this transaction ends; null when there is none. */
export async function lockPerson(
  db: Client,
  { shopId, personId }: Who,
): Promise<Pick<PersonRow, 'name' | 'role'> | null> {
  await db.query('select 1 from shops where id = $1 for no key update', [shopId])
  const { rows } = await db.query('select name, role from people where shop_id = $1 and id = $2', [
    shopId,
    personId,
  ])
  return rows[0] ?? null
}

/** Is somebody of this shop, and not gone? */
export async function isOfShop(db: Client, { shopId, personId }: Who): Promise<boolean> {
  const { rows } = await db.query(
    'select 1 from people where shop_id = $1 and id = $2 and left_at is null',
    [shopId, personId],
  )
  return rows.length > 0
}

/** Is there an owner who can sign in, beside this person? */
export async function otherOwner(db: Client, { shopId, personId }: Who): Promise<boolean> {
  const { rows } = await db.query(
    `select 1 from people where shop_id = $1 and id <> $2 and role = 'owner' and left_at is null
       and (password_hash is not null or demo) limit 1`,
    [shopId, personId],
  )
  return rows.length > 0
}

/** A new code in place of any before. */
async function giveCode(db: Client, personId: string): Promise<string> {
  const code = oneTimeCode()
  await db.query(
    `update people set one_time_code_hash = $2, code_until = now() + make_interval(days => $3) where id = $1`,
    [personId, await hashSecret(code), CODE_DAYS],
  )
  return code
}

/** Adds somebody who has still to come. @returns the code that is shown once */
export async function invite(
  db: Client,
  shopId: string,
  { name, role }: z.output<typeof inviteBody>,
): Promise<{ id: string; code: string }> {
  const { rows } = await db.query(
    'insert into people (shop_id, name, login, role) values ($1, $2, $3, $4) returning id',
    [shopId, name, `invited:${randomUUID()}`, role],
  )
  return { id: rows[0].id, code: await giveCode(db, rows[0].id) }
}

/**
 * A code for somebody who forgot their password, lost their invitation, or comes back. The old password opens until
 * the code is taken; who had left is here again.
 */
export async function inviteAgain(db: Client, { personId }: Who): Promise<string> {
  await db.query('update people set left_at = null where id = $1', [personId])
  return giveCode(db, personId)
}

/** Changes what is told of somebody. Another role ends their sessions: what they saw may be theirs no more. */
export async function changePerson(
  db: Client,
  who: Who,
  { name, role, skills, hours, daysOff }: z.output<typeof personChangeBody>,
): Promise<void> {
  await db.query(
    `update people set name = coalesce($2, name), role = coalesce($3, role), skills = coalesce($4, skills),
       hours = coalesce($5, hours), days_off = coalesce($6, days_off)
     where id = $1`,
    [
      who.personId,
      name ?? null,
      role ?? null,
      skills ?? null,
      hours ? JSON.stringify(hours) : null,
      daysOff ? JSON.stringify(daysOff) : null,
    ],
  )
  if (role) await endSessions(db, { shopId: who.shopId, person: who.personId })
}

/** Somebody leaves: their sessions end and nothing of theirs opens; their name stays on what they did. */
export async function leaveShop(db: Client, { shopId, personId }: Who): Promise<void> {
  await db.query(
    `update people set left_at = now(), password_hash = null, pin_hash = null, one_time_code_hash = null,
       code_until = null, login = $2
     where id = $1`,
    [personId, `left:${randomUUID()}`],
  )
  await endSessions(db, { shopId, person: personId })
}

/** A new password for somebody who showed that it is them; their other sessions end. */
export async function keepPassword(
  db: Client,
  who: Who & { session: string },
  password: string,
): Promise<void> {
  await db.query(
    'update people set password_hash = $2, one_time_code_hash = null, code_until = null where id = $1',
    [who.personId, await hashSecret(password)],
  )
  await endSessions(db, { shopId: who.shopId, person: who.personId, but: who.session })
}
