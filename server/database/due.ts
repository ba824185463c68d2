import { dueSpans, type DueSpan } from '../../core/followup/due'
import type { FootwearModel } from '../../core/footwear/catalogueSchema'
import { modelOf } from '../../core/footwear/brought'
import { wornInside } from '../../core/footwear/toeRoom'
import { normsOf } from '../../core/record/tables'
import { daysBetween } from '../../core/record/isoDay'
import { joinRecord, type PartName } from '../../core/record/parts'
import type { FittingRecord } from '../../core/record/schema'
import { SIDES } from '../../core/tables/vocabulary'
import type { DueRow } from '../../shared/contracts'
import { lengthsOf } from './followups'
import type { Client } from './pool'
import { PARTS_COLUMN, partsOf } from './storedParts'

/** Parts that what is due rests on. */
const PARTS: readonly PartName[] = [
  'visit',
  'norms',
  'footwear',
  'handover',
  'followups',
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
     having bool_or(p.part = 'handover' and p.content ? 'on')`,
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
  for (const { id, record } of fittings) {
    const inside = await insideOf(db, shopId, record)
    items.push(...dueSpans(record, { lengths, inside }).map((span) => ({ ...span, fitting: id })))
  }
  await db.query('delete from due_items where client_id = $1', [clientId])
  if (items.length === 0) return
  await db.query(
    `insert into due_items
       (fitting_id, client_id, shop_id, kind, due_on, tell_from, tell_until, words)
     select fitting, $2, $3, kind, "on", "tellFrom", "tellUntil", words
     from jsonb_to_recordset($1::jsonb) as i(
       fitting uuid, kind text, "on" date, "tellFrom" date, "tellUntil" date, words text
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

/**
 * What is due on a day, the latest first.
 *
 * @param kind only this kind; all where it is not said
 * @param from leaves out so many of the first
 * @param most so many lines; all where it is not said
 */
export async function dueRows(
  db: Client,
  shopId: string,
  today: string,
  { kind, from = 0, most = null }: { kind?: string; from?: number; most?: number | null } = {},
): Promise<DueRow[]> {
  const { rows } = await db.query(
    `select d.kind, d.due_on as "on", d.words, d.fitting_id as "fittingId",
       d.client_id as "clientId", c.code, c.name
     from due_items d join clients c on c.id = d.client_id
     where d.shop_id = $1 and d.tell_until >= $2 and d.tell_from <= $2
       and ($3::text is null or d.kind = $3)
     order by d.due_on, c.code, d.kind
     limit $4 offset $5`,
    [shopId, today, kind ?? null, most, from],
  )
  return rows.map((r) => ({ ...r, lateDays: daysBetween(r.on, today) }))
}

/** How many are due on a day, and how many of them are late. */
export async function dueCounts(
  db: Client,
  shopId: string,
  today: string,
): Promise<{ all: number; late: number; byKind: Record<string, number> }> {
  const { rows } = await db.query<{ kind: string; n: number; late: number }>(
    `select kind, count(*)::int as n, (count(*) filter (where due_on < $2))::int as late
     from due_items where shop_id = $1 and tell_until >= $2 and tell_from <= $2
     group by kind`,
    [shopId, today],
  )
  return {
    all: rows.reduce((sum, { n }) => sum + n, 0),
    late: rows.reduce((sum, { late }) => sum + late, 0),
    byKind: Object.fromEntries(rows.map(({ kind, n }) => [kind, n])),
  }
}
