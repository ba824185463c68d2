import type { HeatReading } from '../../core/bench/heat/heatLog'
import { Refusal } from '../../core/record/refusal'
import type { HeatLogRow } from '../../shared/contracts'
import type { At } from './places'
import type { Client } from './pool'

const toRow = (r: Record<string, never>): HeatLogRow => ({
  id: r.id!,
  name: r.name!,
  apparatus: r.apparatus!,
  window: r.heat_window ?? null,
  fittingId: r.fitting_id ?? null,
  startedAt: (r.started_at as unknown as Date).toISOString(),
  stoppedAt: r.stopped_at ? (r.stopped_at as unknown as Date).toISOString() : null,
  by: r.made_by ?? null,
  readings: r.readings!,
})

/** Logs of heat of a place's apparatus, newest first: those of the last three months. */
export async function readHeatLogs(
  db: Client,
  { shopId, placeId }: At,
  most = 40,
): Promise<HeatLogRow[]> {
  const { rows } = await db.query(
    `select *
     from heat_logs
     where shop_id = $1 and place_id = $3 and started_at > now() - interval '90 days'
     order by stopped_at is not null, started_at desc
     limit $2`,
    [shopId, most, placeId],
  )
  return rows.map(toRow)
}

/** Begins a log; the same id again changes nothing. */
export async function startHeatLog(
  db: Client,
  { shopId, placeId }: At,
  l: { id: string; name: string; apparatus: string; window?: string; fittingId?: string },
  by: string,
): Promise<void> {
  await db.query(
    `insert into heat_logs (id, shop_id, fitting_id, name, apparatus, heat_window, made_by, place_id)
     select $1::uuid, $2::uuid,
       (select id from fittings where id = $3::uuid and shop_id = $2::uuid),
       $4::text, $5::text, $6::text, $7::text, $8::uuid
     on conflict (id) do nothing`,
    [l.id, shopId, l.fittingId ?? null, l.name, l.apparatus, l.window ?? null, by, placeId],
  )
}

/** Most readings of one log: two days and nights by the second. */
const MOST = 172_800

/** Changes an open log's readings; null when there is none that is open. */
export async function changeHeatLog(
  db: Client,
  shopId: string,
  id: string,
  change: (readings: HeatReading[]) => HeatReading[],
  stop = false,
): Promise<HeatLogRow | null> {
  const { rows } = await db.query(
    'select readings from heat_logs where shop_id = $1 and id = $2 and stopped_at is null for update',
    [shopId, id],
  )
  if (!rows[0]) return null
  const readings = change(rows[0].readings).sort((a, b) => a.minutes - b.minutes)
  if (readings.length > MOST)
    throw new Refusal(
      'too-long',
      `A log of heat takes ${MOST} readings. End it and begin another one.`,
      'readings',
    )
  const kept = await db.query(
    `update heat_logs set readings = $3, stopped_at = case when $4 then clock_timestamp() end where shop_id = $1 and id = $2 returning *`,
    [shopId, id, JSON.stringify(readings), stop],
  )
  return toRow(kept.rows[0])
}
