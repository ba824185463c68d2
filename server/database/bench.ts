import { dayPlanSchema, EMPTY_PLAN, type DayPlan } from '../../core/bench/dayPlan'
import type { StepTook } from '../../core/bench/durations'
import { parseWith } from '../../core/record/parse'
import type { PlanRow } from '../../shared/contracts'
import type { At } from './places'
import type { Client } from './pool'

/** The kept plan of a place's day; version 0 before anybody kept one. */
export async function readPlan(db: Client, at: At, day: string): Promise<PlanRow> {
  const { rows } = await db.query(
    `select plan, version, changed_by from bench_plans
     where shop_id = $1 and place_id = $2 and day = $3`,
    [at.shopId, at.placeId, day],
  )
  const row = rows[0]
  return row
    ? { version: row.version, plan: parseWith(dayPlanSchema, row.plan, 'plan'), by: row.changed_by }
    : { version: 0, plan: EMPTY_PLAN, by: null }
}

/** Keeps a plan over the version it was made from; false when somebody was first. */
export async function keepPlan(
  db: Client,
  at: At,
  day: string,
  basedOn: number,
  plan: DayPlan,
  by: string,
): Promise<boolean> {
  const { rowCount } = await db.query(
    `insert into bench_plans (shop_id, place_id, day, plan, version, changed_by)
     select $1::uuid, $6::uuid, $2::date, $3::jsonb, 1, $5::text
     where $4::int = 0
       or exists (
         select 1 from bench_plans
         where shop_id = $1::uuid and place_id = $6::uuid and day = $2::date
       )
     on conflict (shop_id, place_id, day) do update
       set plan = excluded.plan, version = bench_plans.version + 1,
         changed_by = excluded.changed_by, changed_at = now()
       where bench_plans.version = $4::int`,
    [at.shopId, day, JSON.stringify(plan), basedOn, by, at.placeId],
  )
  return rowCount === 1
}

/** A line of the bench's log. */
export async function logStep(
  db: Client,
  shopId: string,
  l: {
    fittingId: string
    step: string
    foot?: string
    did: string
    plannedMin?: number
    actualMin?: number
    reason?: string
  },
  by: string,
): Promise<void> {
  await db.query(
    `insert into bench_log
       (shop_id, fitting_id, step, foot, did, planned_min, actual_min, reason, made_by)
     values ($1, $2, $3, $4, $5, $6, $7, $8, $9)`,
    [
      shopId,
      l.fittingId,
      l.step,
      l.foot ?? null,
      l.did,
      l.plannedMin ?? null,
      l.actualMin ?? null,
      l.reason ?? null,
      by,
    ],
  )
}

/** What finished steps took in the last year, for learning the shop's own minutes. */
export async function stepsTook(db: Client, shopId: string): Promise<StepTook[]> {
  const { rows } = await db.query(
    `select step, actual_min::float8 as "actualMin"
     from bench_log
     where shop_id = $1 and did = 'finish' and actual_min is not null
       and made_at > now() - interval '1 year'
     order by id desc
     limit 5000`,
    [shopId],
  )
  return rows
}
