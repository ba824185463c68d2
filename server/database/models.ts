import type { FootwearModel } from '../../core/footwear/catalogueSchema'
import type { ShellCheck } from '../../core/record/schema'
import type { Client } from './pool'

/** The shop's footwear models, in catalogue order. */
export async function readModels(db: Client, shopId: string): Promise<FootwearModel[]> {
  const { rows } = await db.query('select content from models where shop_id = $1 order by position, id', [shopId])
  return rows.map((r) => r.content)
}

/** Adds or replaces models by id. */
export async function putModels(db: Client, shopId: string, models: readonly FootwearModel[]): Promise<void> {
  for (const [position, model] of models.entries())
    await db.query('insert into models (shop_id, id, position, content) values ($1, $2, $3, $4) on conflict (shop_id, id) do update set content = excluded.content, position = excluded.position', [
      shopId, model.id, position, JSON.stringify(model),
    ])
}

/** Every shell check of a shop, whoever's foot it was; no client goes along. */
export async function readShellChecks(db: Client, shopId: string): Promise<ShellCheck[]> {
  const { rows } = await db.query<{ checks: ShellCheck[] }>(
    `select p.content->'chosen'->'shellChecks' as checks from fitting_parts p join fittings f on f.id = p.fitting_id
     where f.shop_id = $1 and p.part = 'footwear' and jsonb_typeof(p.content->'chosen'->'shellChecks') = 'array'`,
    [shopId],
  )
  return rows.flatMap((r) => r.checks)
}
