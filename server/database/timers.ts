import type { Timer } from '../../core/bench/timer'
import type { Client } from './pool'

const COLUMNS = `id, name, planned_min::float8 as planned_min,
  extract(epoch from started_at) * 1000 as started_at,
  extract(epoch from ends_at) * 1000 as ends_at,
  left_ms::float8 as left_ms, state,
  extract(epoch from stopped_at) * 1000 as stopped_at, fitting_id, step, made_by`

const toTimer = (r: Record<string, never>): Timer => ({
  id: r.id!,
  name: r.name!,
  plannedMin: r.planned_min!,
  startedAt: Number(r.started_at),
  endsAt: r.ends_at === null ? null : Number(r.ends_at),
  leftMs: r.left_ms ?? null,
  state: r.state!,
  stoppedAt: r.stopped_at === null ? null : Number(r.stopped_at),
  fittingId: r.fitting_id ?? null,
  step: r.step ?? null,
  by: r.made_by ?? null,
})

/**
 * Timers that run or pause, the next to end first, with the database's own clock: the only clock
 * there is.
 */
export async function openTimers(
  db: Client,
  shopId: string,
): Promise<{ now: number; timers: Timer[] }> {
  const { rows } = await db.query(
    `select ${COLUMNS} from timers where shop_id = $1 and state <> 'stopped' order by ends_at nulls last, id`,
    [shopId],
  )
  const clock = await db.query('select extract(epoch from clock_timestamp()) * 1000 as now')
  return { now: Number(clock.rows[0].now), timers: rows.map(toTimer) }
}

/** Starts a timer; the same id again changes nothing, so that a request may be sent twice. */
export async function startTimer(
  db: Client,
  shopId: string,
  t: { id: string; name: string; minutes: number; fittingId?: string; step?: string },
  by: string,
): Promise<boolean> {
  const { rowCount } = await db.query(
    `insert into timers (id, shop_id, fitting_id, step, name, planned_min, started_at, ends_at, made_by)
     select $1::uuid, $2::uuid,
       (select id from fittings where id = $3::uuid and shop_id = $2::uuid),
       $4::text, $5::text, $6::float8, clock_timestamp(),
       clock_timestamp() + make_interval(secs => $6::float8 * 60), $7::text
     on conflict (id) do nothing`,
    [t.id, shopId, t.fittingId ?? null, t.step ?? null, t.name, t.minutes, by],
  )
  return rowCount === 1
}

const CHANGES: Record<string, string> = {
  pause: `state = 'paused',
    left_ms = greatest(0, extract(epoch from ends_at - clock_timestamp()) * 1000)::bigint, ends_at = null
    where state = 'running'`,
  resume: `state = 'running', ends_at = clock_timestamp() + make_interval(secs => left_ms / 1000.0),
    left_ms = null
    where state = 'paused'`,
  // One that rings is extended from now, not from when it began to ring.
  extend: `ends_at = case when state = 'running'
      then greatest(ends_at, clock_timestamp()) + make_interval(secs => $3::float8 * 60) end,
    left_ms = case when state = 'paused' then left_ms + ($3::float8 * 60000)::bigint end
    where state <> 'stopped'`,
  rename: `name = $3 where state <> 'stopped'`,
  stop: `state = 'stopped', stopped_at = clock_timestamp(), ends_at = null, left_ms = null where state <> 'stopped'`,
}

/**
 * Pauses, resumes, extends, renames or stops a timer; false when there is none in a state for it.
 */
export async function changeTimer(
  db: Client,
  shopId: string,
  id: string,
  what: keyof typeof CHANGES,
  value?: number | string,
): Promise<boolean> {
  const { rowCount } = await db.query(
    `update timers set ${CHANGES[what]} and shop_id = $1 and id = $2`,
    value === undefined ? [shopId, id] : [shopId, id, value],
  )
  return rowCount === 1
}
