import { pairFigures } from '../../core/followup/shopFigures'
import { casesOf } from '../../core/followup/worked'
import { joinRecord, type PartName } from '../../core/record/parts'
import type { ShopTables } from '../../core/record/tables'
import { freshest } from './freshest'
import { database, type Client } from './pool'
import { currentTables } from './shopTables'
import { PARTS_COLUMN, partsOf } from './storedParts'
import { inThread } from '../work/pool'
import type { Outcome, Worked } from '../work/workedSums'

/** Parts that the outcome of a pair rests on. */
const PARTS: readonly PartName[] = [
  'story',
  'device.left',
  'device.right',
  'versions.left',
  'versions.right',
  'footwear',
  'jobs',
  'making',
  'norms',
  'handover',
  'rounds',
  'followups',
  'readings.left',
  'readings.right',
  'visit',
]
export const outcomeRestsOn = (part: PartName): boolean => PARTS.includes(part)

/** Reckons what became of some fittings and keeps it, in the caller's transaction. */
export async function reckonOutcomes(db: Client, fittingIds: readonly string[]): Promise<void> {
  const { rows } = await db.query(
    `select f.id, f.shop_id, f.opened_on, c.code, c.details, ${PARTS_COLUMN} as parts
     from fittings f join clients c on c.id = f.client_id join fitting_parts p on p.fitting_id = f.id
     where f.id = any($1::uuid[]) and p.part = any($2)
       and f.handed_over
     group by f.id, c.id`,
    [fittingIds, PARTS],
  )
  await db.query('delete from outcomes where fitting_id = any($1::uuid[])', [fittingIds])
  // Most are of one shop: its tables are read once.
  const tables = new Map<string, ShopTables>()
  for (const r of rows) {
    if (!tables.has(r.shop_id)) tables.set(r.shop_id, await currentTables(db, r.shop_id))
    const parts = partsOf(r.parts)
    const record = joinRecord({ ...parts, visit: { ...parts.visit, on: r.opened_on } }, r.details)
    const outcome: Outcome = {
      cases: casesOf(record, r.code),
      figures: pairFigures(record, tables.get(r.shop_id)!),
    }
    await db.query(
      'insert into outcomes (fitting_id, shop_id, opened_on, outcome) values ($1, $2, $3, $4)',
      [r.id, r.shop_id, r.opened_on, JSON.stringify(outcome)],
    )
  }
}

/**
 * Reckons some fittings whose outcome is not right yet; those that another server has in hand are
 * left to it.
 *
 * @returns how many were found
 */
export async function reckonStaleOutcomes(db: Client, most: number): Promise<number> {
  const { rows } = await db.query<{ id: string }>(
    `update fittings set outcome_reckoned_at = now()
     where id in (
       select id from fittings where outcome_reckoned_at is null limit $1
       for no key update skip locked
     )
     returning id`,
    [most],
  )
  const ids = rows.map((r) => r.id)
  if (ids.length > 0) await reckonOutcomes(db, ids)
  return ids.length
}

/** The shop counts its steps in another way from now on: every outcome is reckoned anew. */
export const outcomesChanged = (db: Client, shopId: string) =>
  db.query(
    `update fittings set outcome_reckoned_at = null
     where id in (select fitting_id from outcomes where shop_id = $1)`,
    [shopId],
  )

/** By shop: what was summed last, and from what. */
const summed = new Map<string, { from: string; worked: Worked }>()
/**
 * Sums of the outcomes of the last two years, newest first; summed again when one changes, once for
 * all who ask meanwhile.
 */
export const workedOf = (shopId: string, today: string): Promise<Worked> =>
  sumWorked(`${shopId} ${today}`)

const sumWorked = freshest(async (key: string): Promise<Worked> => {
  const [shopId, today] = key.split(' ') as [string, string]
  const db = database()
  const since = '$2::date - 730'
  const { rows } = await db.query<{ n: number; newest: string | null }>(
    `select count(*)::int as n, max(reckoned_at)::text as newest
     from outcomes where shop_id = $1 and opened_on > ${since}`,
    [shopId, today],
  )
  const from = JSON.stringify([rows[0], today])
  const known = summed.get(shopId)
  if (known?.from === from) return known.worked
  // As one text: to read tens of thousands of rows would hold up everybody.
  const kept = await db.query<{ all: string }>(
    `select '[' || coalesce(string_agg(outcome::text, ',' order by opened_on desc, fitting_id), '') || ']' as all
     from outcomes where shop_id = $1 and opened_on > ${since}`,
    [shopId, today],
  )
  const worked = await inThread('workedSums', [kept.rows[0]!.all])
  summed.set(shopId, { from, worked })
  return worked
})
