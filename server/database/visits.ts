import { riskOf } from '../../core/examine/risk'
import { joinRecord } from '../../core/record/parts'
import { stationsDone } from '../../core/record/progress'
import type { Client as ClientDetails } from '../../core/record/schema'
import { localDay } from '../http/day'
import type {
  DaylessVisit,
  HeldState,
  UnfinishedRow,
  VisitRow,
  VisitState,
} from '../../shared/contracts'
import type { Asked, At } from './places'
import type { Client } from './pool'
import { PARTS_COLUMN, partsOf, type StoredPart } from './storedParts'

/** Is it still to be, or has it been? What was called off, and where nobody came, is neither. */
export const isHeld = <V extends { state: VisitState }>(
  visit: V,
): visit is V & { state: HeldState } => visit.state !== 'cancelled' && visit.state !== 'absent'

/** A visit with whose it is and how far its fitting is. */
const SELECT = `select v.id, v.fitting_id, c.id as client_id, c.code, c.name, c.details, v.starts_at,
       v.minutes, v.reason, v.state, v.version, v.place_id, v.person_id, w.name as person_name,
       v.chair, v.stands_since, v.note, f.opened_on, p.parts, p.chosen, p.told
     from visits v join fittings f on f.id = v.fitting_id join clients c on c.id = f.client_id
     left join people w on w.id = v.person_id
     left join lateral (
         select array_agg(part) as parts,
           bool_or(part = 'footwear' and content ? 'chosen') as chosen,
           ${PARTS_COLUMN} filter (
             where part in ('story', 'findings.left', 'findings.right', 'legLength')
           ) as told
         from fitting_parts p where fitting_id = f.id
       ) p on true`

/** Visits of some days (bounds in the shop's local time), in order of time, those called off too. */
export async function visitsBetween(
  db: Client,
  { shopId, placeId }: Asked,
  from: Date,
  to: Date,
): Promise<VisitRow[]> {
  const { rows } = await db.query<Row & { starts_at: Date }>(
    `${SELECT}
     where v.shop_id = $1 and v.starts_at >= $2 and v.starts_at < $3
       and ($4::uuid is null or v.place_id = $4)
     order by v.starts_at, v.id`,
    [shopId, from, to, placeId ?? null],
  )
  return rows.map((row) => ({ ...told(row), startsAt: row.starts_at.toISOString() }))
}

/** So many who wait for a day are shown, the longest waiting first. */
const MOST_WAITING = 100

/** Visits that have no day yet, who waits longest first. */
export async function withoutDay(db: Client, { shopId, placeId }: Asked): Promise<DaylessVisit[]> {
  const { rows } = await db.query<Row>(
    `${SELECT}
     where v.shop_id = $1 and v.starts_at is null and v.state = 'to-come'
       and ($2::uuid is null or v.place_id = $2)
     order by v.stands_since, v.id limit ${MOST_WAITING}`,
    [shopId, placeId ?? null],
  )
  return rows.map((row) => ({ ...told(row), startsAt: null }))
}

interface Row {
  id: string
  fitting_id: string
  client_id: string
  code: string
  name: string
  details: ClientDetails
  opened_on: string
  told: Record<string, StoredPart> | null
  minutes: number
  reason: string
  state: VisitState
  version: number
  place_id: string
  person_id: string | null
  person_name: string | null
  chair: number | null
  stands_since: Date
  note: string
  parts: string[] | null
  chosen: boolean | null
}

const told = (r: Row): Omit<VisitRow, 'startsAt'> => ({
  id: r.id,
  fittingId: r.fitting_id,
  clientId: r.client_id,
  code: r.code,
  name: r.name,
  occupation: r.details.occupation ?? null,
  bornOn: r.details.bornOn ?? null,
  minutes: r.minutes,
  reason: r.reason,
  state: r.state,
  version: r.version,
  placeId: r.place_id,
  personId: r.person_id,
  personName: r.person_name,
  chair: r.chair,
  standsSince: r.stands_since.toISOString(),
  note: r.note,
  stations: stationsDone((part) => r.parts?.includes(part) ?? false, Boolean(r.chosen)),
  blocked: riskOf(
    joinRecord({ ...partsOf(r.told), visit: { on: r.opened_on } }, r.details),
    localDay(),
  ).blocked,
})

/** So many unfinished fittings come at once; the screen asks for more. */
const UNFINISHED_PAGE = 12

/**
 * Begun and not handed over, in the last 60 days, or with a round that is open: of a place or of all.
 * $1 shop, $2 today, $3 place or null.
 */
const UNFINISHED = `f.shop_id = $1
  and ((f.opened_on > $2::date - 60 and not f.handed_over) or f.round_opened_on > $2::date - 365)
  and exists (select 1 from fitting_parts where fitting_id = f.id)
  and ($3::uuid is null or f.place_id = $3)`

/** What is begun and not with its client, newest first, and how much of it there is. */
export async function unfinished(
  db: Client,
  { shopId, placeId }: Asked,
  today: string,
  from = 0,
): Promise<{ rows: UnfinishedRow[]; all: number }> {
  const asked = [shopId, today, placeId ?? null]
  const { rows } = await db.query(
    `select f.id, f.place_id, c.id as client_id, c.code, c.name, f.since, f.is_round, p.parts, p.chosen
     from (
         select f.id, f.client_id, f.place_id, f.round_opened_on is not null as is_round,
           coalesce(f.round_opened_on, f.opened_on) as since, f.created_at
         from fittings f where ${UNFINISHED}
         order by since desc, f.created_at desc
         limit ${UNFINISHED_PAGE} offset $4
       ) f
       join clients c on c.id = f.client_id
       join lateral (
         select array_agg(part) as parts,
           bool_or(part = 'footwear' and content ? 'chosen') as chosen
         from fitting_parts where fitting_id = f.id
       ) p on true
     order by f.since desc, f.created_at desc`,
    [...asked, from],
  )
  const { rows: counted } = await db.query(
    `select count(*)::int as n from fittings f where ${UNFINISHED}`,
    asked,
  )
  return {
    all: counted[0].n,
    rows: rows.map((r) => ({
      fittingId: r.id,
      clientId: r.client_id,
      code: r.code,
      name: r.name,
      since: r.since,
      isRound: r.is_round,
      placeId: r.place_id,
      stations: stationsDone((part) => r.parts.includes(part), Boolean(r.chosen)),
    })),
  }
}

export async function addVisit(
  db: Client,
  { shopId, placeId }: Asked,
  fittingId: string,
  startsAt: Date,
  reason: string,
  state: VisitState,
  minutes = 45,
): Promise<void> {
  await db.query(
    'insert into visits (shop_id, fitting_id, starts_at, reason, state, minutes, place_id) values ($1, $2, $3, $4, $5, $6, $7)',
    [shopId, fittingId, startsAt, reason, state, minutes, placeId ?? null],
  )
}

/** What is told of a visit that is booked. */
export interface Booking {
  fittingId: string
  /** null: it waits for a day */
  startsAt: Date | null
  minutes: number
  reason: string
  personId: string | null
  /** null: in whichever chair is free */
  chair: number | null
}

/** Books a visit at a place. */
export async function bookVisit(
  db: Client,
  { shopId, placeId }: At,
  { fittingId, startsAt, minutes, reason, personId, chair }: Booking,
): Promise<string> {
  const { rows } = await db.query(
    `insert into visits
       (shop_id, place_id, fitting_id, starts_at, minutes, reason, person_id, chair, state)
     values ($1, $2, $3, $4, $5, $6, $7, $8, 'to-come') returning id`,
    [shopId, placeId, fittingId, startsAt, minutes, reason, personId, chair],
  )
  return rows[0].id
}

/** A visit as it is kept. */
export type Kept = Booking & { state: VisitState; note: string }

/** A visit as it stands, and nobody changes it until this transaction ends; null when there is none. */
export async function lockVisit(
  db: Client,
  shopId: string,
  id: string,
): Promise<(Kept & { clientId: string; placeId: string; version: number }) | null> {
  const { rows } = await db.query(
    `select v.fitting_id as "fittingId", v.starts_at as "startsAt", v.minutes, v.reason,
       v.person_id as "personId", v.version, v.state, v.chair, v.note, v.place_id as "placeId",
       f.client_id as "clientId"
     from visits v join fittings f on f.id = v.fitting_id
     where v.shop_id = $1 and v.id = $2 for update of v`,
    [shopId, id],
  )
  return rows[0] ?? null
}

/**
 * Changes a visit. A client who is here is where the one who says so works, wherever the visit was planned.
 *
 * @returns its version now
 */
export async function changeVisit(
  db: Client,
  { placeId }: At,
  id: string,
  { startsAt, minutes, reason, personId, chair, state, note }: Omit<Kept, 'fittingId'>,
): Promise<number> {
  const { rows } = await db.query(
    `update visits
     set state = $2, starts_at = $3, minutes = $4, reason = $5, person_id = $6, version = version + 1,
       place_id = case when $2 in ('waiting', 'now') then $7 else place_id end, chair = $8, note = $9,
       stands_since = case when state = $2 and (starts_at is null) = ($3::timestamptz is null)
         then stands_since else now() end
     where id = $1 returning version`,
    [id, state, startsAt, minutes, reason, personId, placeId, chair, note],
  )
  return rows[0].version
}
