import { dayPlanSchema, EMPTY_PLAN, type DayPlan } from '../../core/bench/dayPlan'
import { isOver, jobSteps, type Making } from '../../core/bench/jobSteps'
import type { StepTook } from '../../core/bench/durations'
import { deviceKindWords } from '../../core/device/deviceWords'
import { riskOf } from '../../core/examine/risk'
import { parseWith } from '../../core/record/parse'
import { joinRecord } from '../../core/record/parts'
import type { ShopTables } from '../../core/record/tables'
import { SIDES } from '../../core/tables/vocabulary'
import type { BenchJobRow, PlanRow } from '../../shared/contracts'
import { wearerOf } from '../../core/bench/wearer'
import type { Client } from './pool'
import { PARTS_COLUMN, partsOf } from './storedParts'

/** Fittings of the last year with something left to make, the promised first. */
export async function openJobs(
  db: Client,
  shopId: string,
  today: string,
  tables: Pick<ShopTables, 'processes' | 'skinMarginK'>,
  making: Omit<Making, 'processes'>,
): Promise<BenchJobRow[]> {
  const { rows } = await db.query(
    `select f.id, f.opened_on, c.code, c.details, ${PARTS_COLUMN} as parts,
       max(p.version) filter (where p.part = 'jobs') as jobs_version,
       max(p.version) filter (where p.part = 'making') as making_version
     from (
         select id, client_id, opened_on from fittings
         where shop_id = $1 and opened_on > $2::date - 365
           and not exists (
             select 1 from fitting_parts
             where fitting_id = fittings.id and part = 'handover' and content ? 'on'
           )
       ) f
       join clients c on c.id = f.client_id
       join fitting_parts p on p.fitting_id = f.id
     where p.part in ('device.left', 'device.right', 'footwear', 'jobs', 'making', 'norms', 'story',
       'findings.left', 'findings.right', 'legLength')
     group by f.id, f.opened_on, c.id
     order by f.opened_on, f.id`,
    [shopId, today],
  )
  return rows
    .flatMap((r): BenchJobRow[] => {
      const record = joinRecord({ ...partsOf(r.parts), visit: { on: r.opened_on } }, r.details)
      const steps = jobSteps(record, { ...making, processes: tables.processes })
      if (steps.length === 0 || isOver(steps)) return []
      const kinds = [
        ...new Set(SIDES.map((s) => record.feet[s]?.device?.kind).filter((k) => k && k !== 'none')),
      ].map((k) => deviceKindWords(k!))
      return [
        {
          id: r.id,
          code: r.code,
          name: r.details.name ?? null,
          kinds,
          steps,
          ...record.making,
          jobsVersion: r.jobs_version ?? 0,
          making: record.making ?? {},
          makingVersion: r.making_version ?? 0,
          blocked: riskOf(record).blocked,
          wearer: wearerOf(record, tables),
        },
      ]
    })
    .sort((a, b) => ((a.promisedOn ?? '9') < (b.promisedOn ?? '9') ? -1 : 1))
}

/** The kept plan of a day; version 0 before anybody kept one. */
export async function readPlan(db: Client, shopId: string, day: string): Promise<PlanRow> {
  const { rows } = await db.query(
    'select plan, version, changed_by from bench_plans where shop_id = $1 and day = $2',
    [shopId, day],
  )
  const row = rows[0]
  return row
    ? { version: row.version, plan: parseWith(dayPlanSchema, row.plan, 'plan'), by: row.changed_by }
    : { version: 0, plan: EMPTY_PLAN, by: null }
}

/** Keeps a plan over the version it was made from; false when somebody was first. */
export async function keepPlan(
  db: Client,
  shopId: string,
  day: string,
  basedOn: number,
  plan: DayPlan,
  by: string,
): Promise<boolean> {
  const { rowCount } = await db.query(
    `insert into bench_plans (shop_id, day, plan, version, changed_by)
     select $1::uuid, $2::date, $3::jsonb, 1, $5::text
     where $4::int = 0
       or exists (select 1 from bench_plans where shop_id = $1::uuid and day = $2::date)
     on conflict (shop_id, day) do update
       set plan = excluded.plan, version = bench_plans.version + 1,
         changed_by = excluded.changed_by, changed_at = now()
       where bench_plans.version = $4::int`,
    [shopId, day, JSON.stringify(plan), basedOn, by],
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
