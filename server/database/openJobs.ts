import { localDay } from '../http/day'
import { createHash } from 'node:crypto'
import { setImmediate as pause } from 'node:timers/promises'
import { isOver, jobSteps, type Making } from '../../core/bench/jobSteps'
import { wearerOf } from '../../core/bench/wearer'
import { deviceKindWords } from '../../core/device/deviceWords'
import { riskOf } from '../../core/examine/risk'
import { joinRecord } from '../../core/record/parts'
import type { ShopTables } from '../../core/record/tables'
import { SIDES } from '../../core/tables/vocabulary'
import type { BenchJobRow } from '../../shared/contracts'
import { modelsMark, readModels } from './models'
import type { Client } from './pool'
import { PARTS_COLUMN, partsOf } from './storedParts'

/** Parts that a job rests on. */
const PARTS = [
  'device.left',
  'device.right',
  'footwear',
  'jobs',
  'making',
  'rounds',
  'norms',
  'story',
  'findings.left',
  'findings.right',
  'legLength',
]

/** A job as it was built last; null where there is nothing left to make. */
interface Built {
  /** what it was built from: another one, and it is built anew */
  from: string
  job: BenchJobRow | null
}
/** By shop and fitting, as this server built them; only those that are open now are kept. */
const built = new Map<string, Map<string, Built>>()

const mark = (...parts: unknown[]) =>
  createHash('sha256').update(JSON.stringify(parts)).digest('base64')

/** Open fittings of the last year, with the versions of what they rest on. */
async function openFittings(db: Client, shopId: string, today: string) {
  const { rows } = await db.query<{ id: string; versions: string }>(
    `with open as materialized (
       select id, client_id, place_id from fittings
       where shop_id = $1 and (
         (opened_on > $2::date - 365 and not handed_over) or round_opened_on > $2::date - 365
       )
     )
     select open.id, open.place_id || ' ' || c.version || ' ' || p.versions as versions
     from open
       join clients c on c.id = open.client_id
       cross join lateral (
         select string_agg(part || ' ' || version, ' ' order by part) as versions
         from fitting_parts where fitting_id = open.id and part = any($3)
       ) p
     where p.versions is not null`,
    [shopId, today, PARTS],
  )
  return rows
}

async function build(
  db: Client,
  ids: readonly string[],
  tables: Pick<ShopTables, 'processes' | 'skinMarginK'>,
  making: Omit<Making, 'processes'>,
): Promise<Map<string, BenchJobRow | null>> {
  const { rows } = await db.query(
    `select f.id, f.opened_on, f.place_id, c.code, c.details, ${PARTS_COLUMN} as parts,
       max(p.version) filter (where p.part = 'jobs') as jobs_version,
       max(p.version) filter (where p.part = 'making') as making_version
     from fittings f
       join clients c on c.id = f.client_id
       join fitting_parts p on p.fitting_id = f.id
     where f.id = any($1::uuid[]) and p.part = any($2)
     group by f.id, c.id`,
    [ids, PARTS],
  )
  const jobs = new Map<string, BenchJobRow | null>()
  for (const r of rows) {
    jobs.set(r.id, jobOf(r, tables, making))
    // Other requests are answered between two of them.
    await pause()
  }
  return jobs
}

function jobOf(
  // A row of `build`: its parts are read and migrated below.
  // eslint-disable-next-line @typescript-eslint/no-explicit-any
  r: any,
  tables: Pick<ShopTables, 'processes' | 'skinMarginK'>,
  making: Omit<Making, 'processes'>,
): BenchJobRow | null {
  const record = joinRecord({ ...partsOf(r.parts), visit: { on: r.opened_on } }, r.details)
  const steps = jobSteps(record, { ...making, processes: tables.processes })
  if (steps.length === 0 || isOver(steps)) return null
  const kinds = SIDES.map((s) => record.feet[s]?.device?.kind).filter((k) => k && k !== 'none')
  return {
    id: r.id,
    code: r.code,
    name: r.details.name ?? null,
    placeId: r.place_id,
    kinds: [...new Set(kinds)].map((k) => deviceKindWords(k!)),
    steps,
    ...record.making,
    jobsVersion: r.jobs_version ?? 0,
    making: record.making ?? {},
    makingVersion: r.making_version ?? 0,
    blocked: riskOf(record, localDay()).blocked,
    wearer: wearerOf(record, tables),
  }
}

/**
 * Fittings of the last year with something left to make, the promised first. Each is built once and
 * again when something changes that it rests on; the versions are asked of the database every time.
 */
export async function openJobs(
  db: Client,
  shopId: string,
  today: string,
  tables: Pick<ShopTables, 'version' | 'processes' | 'skinMarginK'>,
  { learned }: Pick<Making, 'learned'>,
): Promise<BenchJobRow[]> {
  const open = await openFittings(db, shopId, today)
  const world = mark(tables.version, learned, await modelsMark(db, shopId))
  const former = built.get(shopId)
  // What was cleared lapses with the day.
  const fromOf = ({ versions }: { versions: string }) => `${today} ${world} ${versions}`
  const stale = open.filter((f) => former?.get(f.id)?.from !== fromOf(f)).map((f) => f.id)
  const anew =
    stale.length > 0
      ? await build(db, stale, tables, { learned, models: await readModels(db, { shopId }) })
      : null
  const now = new Map(
    open.flatMap((f): [string, Built][] => {
      const job = anew?.get(f.id)
      const known = job === undefined ? former?.get(f.id) : { from: fromOf(f), job }
      // One that was erased between the two questions is not there.
      return known ? [[f.id, known]] : []
    }),
  )
  built.set(shopId, now)
  return [...now.values()]
    .flatMap(({ job }) => job ?? [])
    .sort((a, b) => ((a.promisedOn ?? '9') < (b.promisedOn ?? '9') ? -1 : 1))
}
