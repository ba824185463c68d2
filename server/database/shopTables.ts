import { completeTables } from '../../core/record/migrate/completeTables'
import { parseWith } from '../../core/record/parse'
import {
  HOUSE_TABLES,
  shopTablesSchema,
  TABLES,
  type ShopTables,
  type TableKey,
} from '../../core/record/tables'
import type { TablesVersion } from '../../shared/contracts'
import type { Client } from './pool'

const EVERY_TABLE = Object.keys(TABLES) as TableKey[]

/** All versions of a shop's tables, newest first; empty while the house's hold. */
export async function readTables(db: Client, shopId: string): Promise<TablesVersion[]> {
  const { rows } = await db.query(
    'select content, made_by, made_at from norms where shop_id = $1 order by version desc',
    [shopId],
  )
  return rows.map((r) => ({
    norms: parseWith(shopTablesSchema, completeTables(r.content, EVERY_TABLE), 'norms'),
    madeBy: r.made_by,
    madeAt: r.made_at.toISOString(),
  }))
}

/** The newest version of each shop as it was read: a version never changes once it is written. */
const newest = new Map<string, { version: number; tables: ShopTables }>()

/** The tables of a version that was just found to be the newest; null: the shop has none of its own. */
export const tablesOf = async (
  db: Client,
  shopId: string,
  version: number | null,
): Promise<ShopTables> => {
  if (version === null) return HOUSE_TABLES
  const known = newest.get(shopId)
  return known?.version === version ? known.tables : currentTables(db, shopId)
}

/** The tables that the shop has today. */
export async function currentTables(db: Client, shopId: string): Promise<ShopTables> {
  const known = newest.get(shopId)
  const { rows } = await db.query({
    name: 'current tables',
    text: `select version, case when version is distinct from $2 then content end as content
      from norms where shop_id = $1 order by version desc limit 1`,
    values: [shopId, known?.version ?? null],
  })
  if (!rows[0]) return HOUSE_TABLES
  const { version, content } = rows[0]
  if (content === null) return known!.tables
  const tables = parseWith(shopTablesSchema, completeTables(content, EVERY_TABLE), 'norms')
  newest.set(shopId, { version, tables })
  return tables
}

/**
 * Adds a version on top of the one it was made from; null when somebody was first. Call in a
 * transaction: it locks the shop.
 */
export async function addTables(
  db: Client,
  shopId: string,
  basedOn: number,
  tables: ShopTables,
  by: string,
): Promise<ShopTables | null> {
  await db.query('select 1 from shops where id = $1 for no key update', [shopId])
  const latest = await currentTables(db, shopId)
  if (latest.version !== basedOn) return null
  const next = { ...tables, version: latest.version + 1 }
  await db.query('insert into norms (shop_id, version, content, made_by) values ($1, $2, $3, $4)', [
    shopId,
    next.version,
    JSON.stringify(next),
    by,
  ])
  return next
}
