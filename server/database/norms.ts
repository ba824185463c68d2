import { HOUSE_NORMS, normsSchema, type Norms } from '../../core/measure/normsTable'
import { parseWith } from '../../core/record/parse'
import type { Client } from './pool'

export interface NormsVersion {
  norms: Norms
  madeBy: string | null
  madeAt: string
}

/** All versions of a shop's table, newest first; empty while the house table holds. */
export async function readNorms(db: Client, shopId: string): Promise<NormsVersion[]> {
  const { rows } = await db.query(
    'select content, made_by, made_at from norms where shop_id = $1 order by version desc',
    [shopId],
  )
  return rows.map((r) => ({
    norms: parseWith(normsSchema, r.content, 'norms'),
    madeBy: r.made_by,
    madeAt: r.made_at.toISOString(),
  }))
}

/** The table that a fitting opened now is judged by; null while the house table holds. */
export async function currentNorms(db: Client, shopId: string): Promise<Norms | null> {
  return (await readNorms(db, shopId))[0]?.norms ?? null
}

/** Adds a version on top of the one it was made from; null when somebody was first. Call in a transaction: it locks the shop. */
export async function addNorms(
  db: Client,
  shopId: string,
  basedOn: number,
  norms: Norms,
  by: string,
): Promise<Norms | null> {
  await db.query('select 1 from shops where id = $1 for update', [shopId])
  const latest = (await currentNorms(db, shopId)) ?? HOUSE_NORMS
  if (latest.version !== basedOn) return null
  const next = { ...norms, version: latest.version + 1 }
  await db.query('insert into norms (shop_id, version, content, made_by) values ($1, $2, $3, $4)', [
    shopId,
    next.version,
    JSON.stringify(next),
    by,
  ])
  return next
}
