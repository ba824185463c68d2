import { riskOf } from '../../core/examine/risk'
import { joinRecord } from '../../core/record/parts'
import { stationsDone } from '../../core/record/progress'
import type { Client as ClientDetails } from '../../core/record/schema'
import { localDay } from '../http/day'
import type { VisitRow, VisitState } from '../../shared/contracts'
import type { Asked, At } from './places'
import type { Client } from './pool'
import { PARTS_COLUMN, partsOf, type StoredPart } from './storedParts'

/** Visits of a day (shop's local day as the caller gives it), in order of time. */
export async function visitsBetween(
  db: Client,
  { shopId, placeId }: Asked,
  from: Date,
  to: Date,
): Promise<VisitRow[]> {
  const { rows } = await db.query<Row>(
    `select v.id, v.fitting_id, c.id as client_id, c.code, c.name, c.details, v.starts_at,
       v.minutes, v.reason, v.state, v.version, v.place_id, f.opened_on, p.parts, p.chosen, p.told
     from visits v join fittings f on f.id = v.fitting_id join clients c on c.id = f.client_id
     left join lateral (
         select array_agg(part) as parts,
           bool_or(part = 'footwear' and content ? 'chosen') as chosen,
           ${PARTS_COLUMN} filter (
             where part in ('story', 'findings.left', 'findings.right', 'legLength')
           ) as told
         from fitting_parts p where fitting_id = f.id
       ) p on true
     where v.shop_id = $1 and v.starts_at >= $2 and v.starts_at < $3
       and ($4::uuid is null or v.place_id = $4)
     order by v.starts_at, v.id`,
    [shopId, from, to, placeId ?? null],
  )
  return rows.map(toVisit)
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
  starts_at: Date
  minutes: number
  reason: string
  state: VisitState
  version: number
  place_id: string
  parts: string[] | null
  chosen: boolean | null
}

const toVisit = (r: Row): VisitRow => ({
  id: r.id,
  fittingId: r.fitting_id,
  clientId: r.client_id,
  code: r.code,
  name: r.name,
  occupation: r.details.occupation ?? null,
  bornOn: r.details.bornOn ?? null,
  startsAt: r.starts_at.toISOString(),
  minutes: r.minutes,
  reason: r.reason,
  state: r.state,
  version: r.version,
  placeId: r.place_id,
  stations: stationsDone((part) => r.parts?.includes(part) ?? false, Boolean(r.chosen)),
  blocked: riskOf(
    joinRecord({ ...partsOf(r.told), visit: { on: r.opened_on } }, r.details),
    localDay(),
  ).blocked,
})

/** Fittings of the last 60 days that are begun and not handed over, newest first. */
export async function unfinished(
  db: Client,
  { shopId, placeId }: Asked,
  today: string,
): Promise<
  {
    fittingId: string
    clientId: string
    code: string
    name: string
    openedOn: string
    placeId: string
    stations: number[]
  }[]
> {
  const { rows } = await db.query(
    `select f.id, f.place_id, c.id as client_id, c.code, c.name, f.opened_on, p.parts, p.chosen
     from (
         select id, client_id, place_id, opened_on, created_at from fittings
         where shop_id = $1 and opened_on > $2::date - 60
           and exists (select 1 from fitting_parts where fitting_id = fittings.id)
           and not handed_over and ($3::uuid is null or place_id = $3)
         order by opened_on desc, created_at desc
         limit 12
       ) f
       join clients c on c.id = f.client_id
       join lateral (
         select array_agg(part) as parts,
           bool_or(part = 'footwear' and content ? 'chosen') as chosen
         from fitting_parts where fitting_id = f.id
       ) p on true
     order by f.opened_on desc, f.created_at desc`,
    [shopId, today, placeId ?? null],
  )
  return rows.map((r) => ({
    fittingId: r.id,
    clientId: r.client_id,
    code: r.code,
    name: r.name,
    openedOn: r.opened_on,
    placeId: r.place_id,
    stations: stationsDone((part) => r.parts.includes(part), Boolean(r.chosen)),
  }))
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

/**
 * Changes a visit when the version is current; null when it is not, or there is none. A client who is
 * here is where the one who says so works, wherever the visit was planned.
 */
export async function changeVisit(
  db: Client,
  { shopId, placeId }: At,
  id: string,
  version: number,
  state: VisitState,
): Promise<{ version: number; fitting_id: string; client_id: string } | null> {
  const { rows } = await db.query(
    `update visits v
     set state = $4, version = v.version + 1,
       place_id = case when $4 in ('waiting', 'now') then $5 else v.place_id end
     from fittings f
     where f.id = v.fitting_id and v.shop_id = $1 and v.id = $2 and v.version = $3
     returning v.version, v.fitting_id, f.client_id`,
    [shopId, id, version, state, placeId],
  )
  return rows[0] ?? null
}
