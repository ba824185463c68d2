import type { BusyTime } from '../../shared/contracts'
import type { Client } from './pool'

/** A time at which somebody is not to be had. */
export interface Busy {
  personId: string
  startsAt: Date
  endsAt: Date
}

/** When people of a shop, or one of them, are not to be had, as far as it touches a span of time. */
export async function busyBetween(
  db: Client,
  { shopId, personId }: { shopId: string; personId?: string },
  from: Date,
  to: Date,
): Promise<Busy[]> {
  const { rows } = await db.query(
    `select person_id as "personId", starts_at as "startsAt", ends_at as "endsAt" from busy_times
     where shop_id = $1 and starts_at < $3 and ends_at > $2 and ($4::uuid is null or person_id = $4)
     order by starts_at`,
    [shopId, from, to, personId ?? null],
  )
  return rows
}

/** What a person’s own calendar says from now on, in place of all that it said before. */
export async function keepBusy(
  db: Client,
  { shopId, personId }: { shopId: string; personId: string },
  times: readonly BusyTime[],
): Promise<void> {
  await db.query('delete from busy_times where shop_id = $1 and person_id = $2', [shopId, personId])
  await db.query(
    `insert into busy_times (shop_id, person_id, uid, starts_at, ends_at)
     select $1, $2, uid, "startsAt", "endsAt"
     from jsonb_to_recordset($3::jsonb) as t(uid text, "startsAt" timestamptz, "endsAt" timestamptz)
     on conflict do nothing`,
    [shopId, personId, JSON.stringify(times)],
  )
}
