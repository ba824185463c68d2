import { stepKeyOfTimer, timerOfStep, type TimedStep, type Timer } from '../../core/bench/timer'
import type { StepDoes } from '../../core/record/stepState'
import type { At } from './places'
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
 * Timers of a place that run or pause, the next to end first, with the database's own clock: the only clock
 * there is.
 */
export async function openTimers(
  db: Client,
  { shopId, placeId }: At,
): Promise<{ now: number; timers: Timer[] }> {
  const { rows } = await db.query(
    `select ${COLUMNS} from timers
     where shop_id = $1 and place_id = $2 and state <> 'stopped' order by ends_at nulls last, id`,
    [shopId, placeId],
  )
  const clock = await db.query('select extract(epoch from clock_timestamp()) * 1000 as now')
  return { now: Number(clock.rows[0].now), timers: rows.map(toTimer) }
}

/** Starts a timer; the same id again changes nothing, so that a request may be sent twice. */
export async function startTimer(
  db: Client,
  at: At,
  t: {
    id: string
    name: string
    minutes: number
    fittingId?: string
    step?: string
    /** so long ago it was started, ms */
    waitedMs?: number
  },
  by: string,
): Promise<boolean> {
  const { rowCount } = await db.query(
    `insert into timers (id, shop_id, fitting_id, step, name, planned_min, started_at, ends_at, made_by, place_id)
     select $1::uuid, $2::uuid,
       (select id from fittings where id = $3::uuid and shop_id = $2::uuid),
       $4::text, $5::text, $6::float8, clock_timestamp() - make_interval(secs => $8::float8 / 1000),
       clock_timestamp() + make_interval(secs => $6::float8 * 60 - $8::float8 / 1000), $7::text, $9::uuid
     on conflict (id) do nothing`,
    [
      t.id,
      at.shopId,
      t.fittingId ?? null,
      t.step ?? null,
      t.name,
      t.minutes,
      by,
      t.waitedMs ?? 0,
      at.placeId,
    ],
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
 * What a change of a step does to its timer: a waiting step that begins brings one along, more
 * minutes go to both, and one that ends, is split or taken back lets it go.
 *
 * @param id of the timer that begins: the change's own, so that it begins once
 */
export async function timerFollows(
  db: Client,
  at: At,
  about: { id: string; fittingId: string; step: TimedStep; waitedMs: number },
  change: { do: StepDoes; minutes?: number | undefined },
  by: string,
): Promise<boolean> {
  const { id, fittingId, step, waitedMs } = about
  if (change.do === 'start') {
    const { rows } = await db.query(
      'select c.code from clients c join fittings f on f.client_id = c.id where f.id = $1',
      [fittingId],
    )
    const timer = timerOfStep(rows[0]?.code ?? 'job', step)
    return timer !== null && startTimer(db, at, { id, fittingId, waitedMs, ...timer }, by)
  }
  const what = change.do === 'longer' ? 'extend' : 'stop'
  const { rows } = await db.query<{ id: string }>(
    `select id from timers
     where shop_id = $1 and fitting_id = $2 and step = $3 and state <> 'stopped'`,
    [at.shopId, fittingId, stepKeyOfTimer(step.key)],
  )
  for (const timer of rows)
    await changeTimer(
      db,
      at.shopId,
      timer.id,
      what,
      what === 'extend' ? (change.minutes ?? 1) : undefined,
    )
  return rows.length > 0
}

/** Has the shop a timer of this id, over or not? */
export async function hasTimer(db: Client, shopId: string, id: string): Promise<boolean> {
  const { rows } = await db.query('select 1 from timers where shop_id = $1 and id = $2', [
    shopId,
    id,
  ])
  return rows.length > 0
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
