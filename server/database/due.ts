import { jobSteps } from '../../core/bench/jobSteps'
import { dueSpans, isReplaced, type DueSpan } from '../../core/followup/due'
import type { FootwearModel } from '../../core/footwear/catalogueSchema'
import { modelOf } from '../../core/footwear/brought'
import { wornInside } from '../../core/footwear/toeRoom'
import { HOUSE_TABLES, normsOf } from '../../core/record/tables'
import { daysBetween } from '../../core/record/isoDay'
import { joinRecord, type PartName } from '../../core/record/parts'
import type { Client as ClientDetails, FittingRecord } from '../../core/record/schema'
import { SIDES } from '../../core/tables/vocabulary'
import type { z } from 'zod'
import { whyNotReminded } from '../../core/followup/reminder'
import type { DueKind } from '../../core/tables/reminderTexts'
import type { DueRow, dueMarkBody } from '../../shared/contracts'
import { lengthsOf } from './followups'
import type { Client } from './pool'
import { currentTables } from './shopTables'
import { PARTS_COLUMN, partsOf } from './storedParts'

/** Parts that what is due rests on. */
const PARTS: readonly PartName[] = [
  'visit',
  'norms',
  'footwear',
  'handover',
  'followups',
  'story',
  'quotes',
  'orders',
  'jobs',
  'making',
  'device.left',
  'device.right',
  'readings.left',
  'readings.right',
]
export const dueRestsOn = (part: PartName): boolean => PARTS.includes(part)

interface Fitting {
  id: string
  record: FittingRecord
}

/** A client's fittings with the parts that count here. */
async function fittingsOf(db: Client, clientId: string): Promise<Fitting[]> {
  const { rows } = await db.query(
    `select f.id, f.opened_on, c.details, ${PARTS_COLUMN} as parts
     from fittings f join clients c on c.id = f.client_id join fitting_parts p on p.fitting_id = f.id
     where c.id = $1 and p.part = any($2)
     group by f.id, c.id
     having bool_or(
       (p.part = 'handover' and p.content ? 'on') or p.part in ('quotes', 'orders', 'jobs')
     )`,
    [clientId, PARTS],
  )
  return rows.map((r) => {
    const parts = partsOf(r.parts)
    const visit = { ...parts.visit, on: r.opened_on }
    return { id: r.id, record: joinRecord({ ...parts, visit }, r.details) }
  })
}

/** Inside lengths of the shells that were chosen, where a child outgrows them. */
async function insideOf(db: Client, shopId: string, record: FittingRecord) {
  const chosen = record.footwear?.chosen
  if (!chosen || !record.client?.bornOn) return {}
  const { rows } = await db.query<{ content: FootwearModel }>(
    'select content from models where shop_id = $1 and id = $2',
    [shopId, chosen.model],
  )
  const model = modelOf(
    record,
    rows.map((row) => row.content),
    chosen.model,
  )
  const sizes = { left: chosen.sizeLeftMm, right: chosen.sizeRightMm }
  return Object.fromEntries(
    SIDES.flatMap((side) => {
      const size = sizes[side]
      const inside = model && size ? wornInside(model, size, normsOf(record)) : null
      return inside ? [[side, inside]] : []
    }),
  )
}

/**
 * Reckons what will be due for a client and keeps it, in the caller's transaction: after every
 * change of something that it rests on.
 */
export async function reckonDue(db: Client, shopId: string, clientId: string): Promise<void> {
  // Two fittings of one client may change at once: the second reads what the first has kept.
  await db.query('select pg_advisory_xact_lock(hashtextextended($1::text, 0))', [clientId])
  const fittings = await fittingsOf(db, clientId)
  const isTold = fittings.some(({ record }) => record.client?.bornOn)
  const lengths = isTold ? (await lengthsOf(db, shopId, [clientId])).get(clientId) : undefined
  const items: (DueSpan & { fitting: string })[] = []
  const { processes } = fittings.length > 0 ? await currentTables(db, shopId) : HOUSE_TABLES
  const records = fittings.map(({ record }) => record)
  for (const { id, record } of fittings) {
    const known = {
      lengths,
      inside: await insideOf(db, shopId, record),
      steps: jobSteps(record, { processes }),
      isReplaced: isReplaced(record, records),
    }
    items.push(...dueSpans(record, known).map((span) => ({ ...span, fitting: id })))
  }
  await db.query('delete from due_items where client_id = $1', [clientId])
  if (items.length === 0) return
  await db.query(
    `insert into due_items
       (fitting_id, client_id, shop_id, kind, key, due_on, tell_from, tell_until, words)
     select fitting, $2, $3, kind, key, "on", "tellFrom", "tellUntil", words
     from jsonb_to_recordset($1::jsonb) as i(
       fitting uuid, kind text, key text, "on" date, "tellFrom" date, "tellUntil" date, words text
     )`,
    [JSON.stringify(items), clientId, shopId],
  )
}

/** Clients whose shells changed in the catalogue: what they outgrow is reckoned anew. */
export async function dueOfModelsChanged(
  db: Client,
  shopId: string,
  models: readonly string[],
): Promise<void> {
  await db.query(
    `update clients set due_reckoned_at = null
     where shop_id = $1 and details ? 'bornOn' and id in (
       select f.client_id from fittings f join fitting_parts p on p.fitting_id = f.id
       where f.shop_id = $1 and p.part = 'footwear'
         and p.content->'chosen'->>'model' = any($2::text[])
     )`,
    [shopId, models],
  )
}

/**
 * Reckons some clients whose list is not right yet; those that another server has in hand are left
 * to it.
 *
 * @returns how many were found
 */
export async function reckonStale(db: Client, most: number): Promise<number> {
  const { rows } = await db.query(
    `update clients set due_reckoned_at = now()
     where id in (
       select id from clients where due_reckoned_at is null limit $1 for no key update skip locked
     )
     returning id, shop_id`,
    [most],
  )
  for (const { id, shop_id: shopId } of rows) await reckonDue(db, shopId, id)
  return rows.length
}

/** With what was done about it last. $1 shop, $2 today. */
const TOLD = `from due_items d
  left join lateral (
    select state, until, note, made_by, made_at from due_marks
    where fitting_id = d.fitting_id and key = d.key order by id desc limit 1
  ) m on true
  where d.shop_id = $1 and d.tell_until >= $2 and d.tell_from <= $2`
/** Nobody has settled it, or put it off to a later day. */
const OPEN = `(m.state is null or m.state not in ('done', 'later') or (m.state = 'later' and m.until <= $2))`

/** Which lines of a day. */
interface Wanted {
  /** only this kind; all where it is not said */
  kind?: string | undefined
  /** those that are settled or put off, in place of the others */
  settled?: boolean
  /** leaves out so many of the first */
  from?: number
  /** so many lines; all where it is not said */
  most?: number | null
}

/** What is due on a day, the latest first. */
export async function dueRows(
  db: Client,
  shopId: string,
  today: string,
  { kind, settled = false, from = 0, most = null }: Wanted = {},
): Promise<DueRow[]> {
  const { rows } = await db.query(
    `select t.*, c.code, c.name, c.details from (
       select d.kind, d.key, d.due_on as "on", d.words, d.fitting_id as "fittingId",
         d.client_id as "clientId", m.state, m.until, m.note, m.made_by, m.made_at
       ${TOLD} and ($3::text is null or d.kind = $3) and ${settled ? 'not ' : ''}${OPEN}
     ) t join clients c on c.id = t."clientId"
     order by t."on", c.code, t.kind
     limit $4 offset $5`,
    [shopId, today, kind ?? null, most, from],
  )
  return rows.map(({ state, until, note, made_by, made_at, details, ...r }) => ({
    ...r,
    lateDays: daysBetween(r.on, today),
    phone: details.phone ?? null,
    unreminded: r.kind === 'lab' ? 'A lab is written to by its own way.' : whyNotReminded(details),
    mark: state && { state, until, note, by: made_by, at: made_at.toISOString() },
  }))
}

/** How many are due on a day, and how many of them are late. */
export async function dueCounts(
  db: Client,
  shopId: string,
  today: string,
): Promise<{ all: number; late: number; settled: number; byKind: Record<string, number> }> {
  const { rows } = await db.query<{ kind: string; n: number; late: number; settled: number }>(
    `select d.kind, (count(*) filter (where ${OPEN}))::int as n,
       (count(*) filter (where ${OPEN} and d.due_on < $2))::int as late,
       (count(*) filter (where not ${OPEN}))::int as settled
     ${TOLD} group by d.kind`,
    [shopId, today],
  )
  const sum = (of: (row: (typeof rows)[number]) => number) =>
    rows.reduce((s, row) => s + of(row), 0)
  return {
    all: sum(({ n }) => n),
    late: sum(({ late }) => late),
    settled: sum(({ settled }) => settled),
    byKind: Object.fromEntries(rows.map(({ kind, n }) => [kind, n])),
  }
}

/** One line that is due, by what it is about; null when there is none. */
export async function dueLine(
  db: Client,
  shopId: string,
  { fittingId, key }: { fittingId: string; key: string },
): Promise<{ kind: DueKind; on: string; clientId: string; details: ClientDetails } | null> {
  const { rows } = await db.query(
    `select d.kind, d.due_on as "on", d.client_id as "clientId", c.details
     from due_items d join clients c on c.id = d.client_id
     where d.shop_id = $1 and d.fitting_id = $2 and d.key = $3 limit 1`,
    [shopId, fittingId, key],
  )
  return rows[0] ?? null
}

/** Writes down what was done about something that is due; what was said before stays. */
export async function markDue(
  db: Client,
  shopId: string,
  { fittingId, key, state, until, note }: z.output<typeof dueMarkBody>,
  by: string,
): Promise<void> {
  await db.query(
    `insert into due_marks (shop_id, fitting_id, key, state, until, note, made_by)
     values ($1, $2, $3, $4, $5, $6, $7)`,
    [shopId, fittingId, key, state, until ?? null, note ?? '', by],
  )
}
