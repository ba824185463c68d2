import { randomUUID } from 'node:crypto'
import type { Client } from './pool'
import type { AtWork } from './people'
import type { SessionRow } from '../../shared/contracts'
import { verifySecret } from '../security/secrets'

/** So long one signing-in holds at most, however much is done in it. */
const LIFE = "interval '12 hours'"
/** Wrong tries after which a PIN opens nothing, and the password is wanted. */
const PIN_TRIES = 5

export interface OpenSession {
  id: string
  person: AtWork
  login: string
  /** the page is hidden until its person shows that it is them */
  isLocked: boolean
  hasPin: boolean
  lockMinutes: number
  shopName: string
}

/**
 * Begins a session for a person and says its id.
 *
 * @param place where the device stands; where that is no open place of the shop, the person's usual
 *   one, else the shop's first
 */
export async function beginSession(
  db: Client,
  personId: string,
  device: string,
  place?: string,
): Promise<string> {
  const id = randomUUID()
  await db.query(
    `insert into sessions (id, person_id, device, place_id)
     select $1, p.id, $3, (
       select id from places where shop_id = p.shop_id and closed_at is null
       order by id = $4::uuid desc nulls last, id = p.place_id desc nulls last, position, name
       limit 1
     )
     from people p where p.id = $2`,
    [id, personId, device, place ?? null],
  )
  return id
}

/**
 * A session that has not ended, with its person as they are now: a changed role counts at once.
 *
 * @param idleMinutes after so long without a request it is locked; the shop's own when not told
 */
export async function openSession(
  db: Client,
  id: string,
  idleMinutes: number | null,
): Promise<OpenSession | null> {
  const { rows } = await db.query({
    name: 'open session',
    text: `with one as (
       select s.id, s.touched_at, s.pin_tries, s.place_id, p.id as person_id, p.shop_id, p.name, p.role, p.login,
         p.pin_hash is not null as has_pin, h.lock_minutes, h.name as shop_name,
         s.locked_at is not null
           or s.touched_at < now() - make_interval(secs => 60 * coalesce($2::float8, h.lock_minutes + 1)) as locked
       from sessions s join people p on p.id = s.person_id join shops h on h.id = p.shop_id
       where s.id = $1 and p.left_at is null and s.ended_at is null and s.begun_at > now() - ${LIFE}
     ), touched as (
       update sessions set touched_at = now()
       where id in (select id from one where not locked and touched_at < now() - interval '20 seconds')
     )
     select * from one`,
    values: [id, idleMinutes],
  })
  const r = rows[0]
  return r
    ? {
        id: r.id,
        person: {
          id: r.person_id,
          shopId: r.shop_id,
          placeId: r.place_id,
          name: r.name,
          role: r.role,
        },
        login: r.login,
        isLocked: r.locked,
        hasPin: r.has_pin && r.pin_tries < PIN_TRIES,
        lockMinutes: r.lock_minutes,
        shopName: r.shop_name,
      }
    : null
}

export const lockSession = (db: Client, id: string) =>
  db.query('update sessions set locked_at = coalesce(locked_at, now()) where id = $1', [id])

export const unlockSession = (db: Client, id: string) =>
  db.query(
    'update sessions set locked_at = null, touched_at = now(), pin_tries = 0 where id = $1 and ended_at is null',
    [id],
  )

/**
 * Is this the PIN of the session's person? Each try is counted before it is judged; after five wrong
 * ones the PIN opens nothing any more.
 */
export async function isPin(db: Client, id: string, pin: string): Promise<boolean> {
  const { rows } = await db.query(
    `update sessions s set pin_tries = pin_tries + 1 from people p
     where s.id = $1 and p.id = s.person_id and s.ended_at is null and s.pin_tries < $2
       and p.pin_hash is not null
     returning p.pin_hash`,
    [id, PIN_TRIES],
  )
  return rows.length > 0 && (await verifySecret(rows[0].pin_hash, pin))
}

export async function endOneSession(db: Client, id: string): Promise<void> {
  await db.query('update sessions set ended_at = now() where id = $1 and ended_at is null', [id])
}

/** Which sessions are meant: one, a person's, or everybody's of a shop; `but` stays. */
export interface Which {
  shopId: string
  person?: string | undefined
  session?: string | undefined
  but?: string | undefined
}

/** Ends sessions. @returns whose and how many */
export async function endSessions(
  db: Client,
  { shopId, person, session, but }: Which,
): Promise<{ person: string; name: string }[]> {
  const { rows } = await db.query(
    `update sessions s set ended_at = now() from people p
     where p.id = s.person_id and p.shop_id = $1 and s.ended_at is null
       and ($2::uuid is null or p.id = $2) and ($3::uuid is null or s.id = $3)
       and ($4::uuid is null or s.id <> $4)
     returning p.id as person, p.name`,
    [shopId, person ?? null, session ?? null, but ?? null],
  )
  return rows
}

/** Open sessions of a shop or of one of its people, the one used last first. */
export async function listSessions(
  db: Client,
  { shopId, person, session }: Which,
): Promise<SessionRow[]> {
  const { rows } = await db.query(
    `select s.id, p.name, s.device, s.begun_at as "begunAt", s.touched_at as "touchedAt",
       s.locked_at is not null as "isLocked", s.id = $3 as "isThis"
     from sessions s join people p on p.id = s.person_id
     where p.shop_id = $1 and s.ended_at is null and s.begun_at > now() - ${LIFE}
       and ($2::uuid is null or p.id = $2)
     order by s.touched_at desc limit 200`,
    [shopId, person ?? null, session ?? null],
  )
  return rows
}

/** After how many minutes without touch the shop's pages hide. */
export const keepLockMinutes = (db: Client, shopId: string, minutes: number) =>
  db.query('update shops set lock_minutes = $2 where id = $1', [shopId, minutes])
