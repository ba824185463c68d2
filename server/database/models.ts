import { isBrought } from '../../core/footwear/brought'
import type { FootwearModel } from '../../core/footwear/catalogueSchema'
import { checksMade } from '../../core/footwear/checksMade'
import { linerSeen } from '../../core/followup/packOutForecast'
import type { LinerSeen } from '../../core/followup/learnedPackOut'
import type { FittingRecord, Followup, ShellCheck, ShellWork } from '../../core/record/schema'
import type { StockElsewhere } from '../../shared/contracts'
import { dueOfModelsChanged } from './due'
import type { Asked, At } from './places'
import { audit } from './audit'
import type { AtWork } from './people'
import { transaction, type Client } from './pool'
import { partContent } from './storedParts'

type Footwear = NonNullable<FittingRecord['footwear']>

/**
 * The shop's footwear models, in catalogue order; some of them by their ids. With a place, their stock
 * is what lies there; without, none.
 */
export async function readModels(
  db: Client,
  { shopId, placeId }: Asked,
  ids?: readonly string[],
): Promise<FootwearModel[]> {
  const { rows } = await db.query(
    `select content, stock->$3::text as shelf from models
     where shop_id = $1 and ($2::text[] is null or id = any($2)) order by position, id`,
    [shopId, ids ?? null, placeId ?? null],
  )
  return rows.map(({ content, shelf }) => (shelf ? { ...content, stock: shelf } : content))
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
 * Adds or replaces models by id, in one statement; what is new goes behind what is there. Their stock
 * is what lies at this place; that of others stays.
 *
 * @param json of the models with these ids, as an array
 * @param shelf does what they say of their stock count, or stay the pairs that are counted here? They were read some
 *   time ago, and pairs were handed over since
 */
export async function putModelsJson(
  db: Client,
  { shopId, placeId }: Asked,
  { ids, json }: { ids: readonly string[]; json: string },
  shelf: 'counts' | 'stays' = 'counts',
): Promise<void> {
  await db.query(
    `insert into models (shop_id, id, position, content, stock)
     select $1, m.content->>'id',
       coalesce((select max(position) + 1 from models where shop_id = $1), 0) + m.place,
       m.content || '{"stock": {}}',
       jsonb_build_object(coalesce($3::uuid, first_place($1)), coalesce(m.content->'stock', '{}'))
     from jsonb_array_elements($2::jsonb) with ordinality as m(content, place)
     on conflict (shop_id, id) do update
       set content = excluded.content,
         stock = case when $4 then models.stock else models.stock || excluded.stock end`,
    [shopId, json, placeId ?? null, shelf === 'stays'],
  )
  await dueOfModelsChanged(db, shopId, ids)
}

/** The same, of models as they are. */
export const putModels = (
  db: Client,
  at: Asked,
  models: readonly FootwearModel[],
): Promise<void> => {
  const ids = models.map((model) => model.id)
  return putModelsJson(db, at, { ids, json: JSON.stringify(models) })
}

/** Keeps one model that somebody of the shop changed or measured; the pairs that lie here stay counted. */
export const keepModel = (
  person: AtWork,
  model: FootwearModel,
  action: 'models.measure' | 'models.details',
): Promise<{ models: number }> =>
  transaction(async (db) => {
    const json = JSON.stringify([model])
    await putModelsJson(db, person, { ids: [model.id], json }, 'stays')
    const { shopId } = person
    await audit(db, { shopId, person, action, detail: { model: model.id } })
    return { models: 1 }
  })

/** Sizes of models that lie at other places than this one: `{ model: { size: { place: pairs } } }`. */
export async function stockElsewhere(db: Client, { shopId, placeId }: At): Promise<StockElsewhere> {
  const { rows } = await db.query<{ id: string; stock: Record<string, Record<string, number>> }>(
    `select id, stock - $2::text as stock from models
     where shop_id = $1 and stock - $2::text <> '{}'`,
    [shopId, placeId],
  )
  const elsewhere: StockElsewhere = {}
  for (const { id, stock } of rows)
    for (const [place, sizes] of Object.entries(stock))
      for (const [size, pairs] of Object.entries(sizes))
        if (pairs > 0) ((elsewhere[id] ??= {})[size] ??= {})[place] = pairs
  return elsewhere
}

/** How many pairs of a size lie on a place's shelf; false when there is no such model or size. */
export async function setStock(
  db: Client,
  { shopId, placeId }: At,
  model: string,
  sizeMm: number,
  count: number,
): Promise<boolean> {
  const { rowCount } = await db.query(
    `update models
     set stock = stock || jsonb_build_object(
       $6::text, coalesce(stock->$6::text, '{}') || jsonb_build_object($3::text, $4::int)
     )
     where shop_id = $1 and id = $2 and content->'sizesMm' @> to_jsonb($5::numeric)`,
    [shopId, model, String(sizeMm), count, sizeMm, placeId],
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

/** Liners that were measured again at the follow-ups, by the model that was chosen; no client goes along. */
export async function readLinersSeen(db: Client, shopId: string): Promise<LinerSeen[]> {
  const { rows } = await db.query<{ content: unknown; record_version: number; model: string }>(
    `select p.content, p.record_version, w.content #>> '{chosen,model}' as model
     from fitting_parts p join fittings f on f.id = p.fitting_id
       join fitting_parts w on w.fitting_id = f.id and w.part = 'footwear'
     where f.shop_id = $1 and p.part = 'followups' and p.content @> '[{"liner": {}}]'
       and w.content #>> '{chosen,model}' is not null`,
    [shopId],
  )
  return rows.flatMap(({ content, record_version, model }) => {
    const followups = partContent('followups', content, record_version) as Followup[]
    return linerSeen({ followups }).map((seen) => ({ model, ...seen }))
  })
}

/**
 * What a shop measured on its shells, whoever's foot it was: shell checks, and stretches after cooling. No client goes
 * along; what one client brought teaches nothing about another's, its id is theirs alone.
 */
export async function readShellFacts(
  db: Client,
  shopId: string,
): Promise<{ checks: ShellCheck[]; stretches: ShellWork[] }> {
  const { rows } = await db.query<{ content: unknown; record_version: number }>(
    `select p.content, p.record_version from fitting_parts p join fittings f on f.id = p.fitting_id
     where f.shop_id = $1 and p.part = 'footwear'
       and (p.content #> '{shellChecks,0}' is not null
         or p.content #> '{chosen,shellChecks,0}' is not null
         or p.content #> '{chosen,work,0}' is not null
         or p.content #> '{moreChosen,0}' is not null)`,
    [shopId],
  )
  const all = rows.map((r) => partContent('footwear', r.content, r.record_version) as Footwear)
  const chosen = all.flatMap((f) => [...(f.chosen ? [f.chosen] : []), ...(f.moreChosen ?? [])])
  const isOurs = ({ model }: { model: string }) => !isBrought(model)
  return {
    checks: all.flatMap(checksMade).filter(isOurs),
    stretches: chosen.flatMap((c) => c.work).filter((w) => w.does === 'stretch' && isOurs(w)),
  }
}
