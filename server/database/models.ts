import type { FootwearModel } from '../../core/footwear/catalogueSchema'
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
