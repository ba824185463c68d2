import type { FootwearModel } from '../../core/footwear/catalogueSchema'
import type { FittingRecord, ShellCheck } from '../../core/record/schema'
import { dueOfModelsChanged } from './due'
import type { Client } from './pool'
import { partContent } from './storedParts'

type Footwear = NonNullable<FittingRecord['footwear']>

/** The shop's footwear models, in catalogue order; some of them by their ids. */
export async function readModels(
  db: Client,
  shopId: string,
  ids?: readonly string[],
): Promise<FootwearModel[]> {
  const { rows } = await db.query(
    `select content from models
     where shop_id = $1 and ($2::text[] is null or id = any($2)) order by position, id`,
    [shopId, ids ?? null],
  )
  return rows.map((r) => r.content)
}

/** Changes whenever the catalogue does: which rows there are, and when each was written. */
export async function modelsMark(db: Client, shopId: string): Promise<string> {
  const { rows } = await db.query(
    `select md5(string_agg(id || ' ' || xmin::text, ',' order by id)) as mark
     from models where shop_id = $1`,
    [shopId],
  )
  return rows[0].mark ?? ''
}

/**
 * Adds or replaces models by id, in one statement; what is new goes behind what is there.
 *
 * @param json of the models with these ids, as an array
 */
export async function putModelsJson(
  db: Client,
  shopId: string,
  { ids, json }: { ids: readonly string[]; json: string },
): Promise<void> {
  await db.query(
    `insert into models (shop_id, id, position, content)
     select $1, m.content->>'id',
       coalesce((select max(position) + 1 from models where shop_id = $1), 0) + m.place, m.content
     from jsonb_array_elements($2::jsonb) with ordinality as m(content, place)
     on conflict (shop_id, id) do update set content = excluded.content`,
    [shopId, json],
  )
  await dueOfModelsChanged(db, shopId, ids)
}

/** The same, of models as they are. */
export const putModels = (
  db: Client,
  shopId: string,
  models: readonly FootwearModel[],
): Promise<void> => {
  const ids = models.map((model) => model.id)
  return putModelsJson(db, shopId, { ids, json: JSON.stringify(models) })
}

/** How many pairs of a size lie on the shelf; false when there is no such model or size. */
export async function setStock(
  db: Client,
  shopId: string,
  model: string,
  sizeMm: number,
  count: number,
): Promise<boolean> {
  const { rowCount } = await db.query(
    `update models
     set content = jsonb_set(content, array['stock', $3], to_jsonb($4::int))
     where shop_id = $1 and id = $2 and content->'sizesMm' @> to_jsonb($5::numeric)`,
    [shopId, model, String(sizeMm), count, sizeMm],
  )
  return rowCount === 1
}

/** Takes a model out of the catalogue; fittings that chose it keep its name. */
export async function removeModel(db: Client, shopId: string, model: string): Promise<boolean> {
  const { rowCount } = await db.query('delete from models where shop_id = $1 and id = $2', [
    shopId,
    model,
  ])
  await dueOfModelsChanged(db, shopId, [model])
  return rowCount === 1
}

/** Every shell check of a shop, whoever's foot it was; no client goes along. */
export async function readShellChecks(db: Client, shopId: string): Promise<ShellCheck[]> {
  const { rows } = await db.query<{ content: unknown; record_version: number }>(
    `select p.content, p.record_version from fitting_parts p join fittings f on f.id = p.fitting_id
     where f.shop_id = $1 and p.part = 'footwear'
       and p.content #> '{chosen,shellChecks,0}' is not null`,
    [shopId],
  )
  return rows.flatMap((r): ShellCheck[] => {
    const footwear = partContent('footwear', r.content, r.record_version) as Footwear
    return footwear.chosen?.shellChecks ?? []
  })
}
