import { pairsChosen, pairsTaken, type ShelfPair } from '../../core/footwear/pairsTaken'
import type { PartContent, PartName } from '../../core/record/parts'
import type { Reserved } from '../../shared/contracts'
import { audit } from './audit'
import type { At } from './places'
import type { SignedIn } from './people'
import type { Client } from './pool'
import { partContent } from './storedParts'

/** So long a pair that was chosen is kept back for a fitting that goes no further, days. */
const KEPT_BACK_DAYS = 180

interface Row {
  part: 'footwear' | 'handover'
  content: unknown
  record_version: number
}
const contentOf = <P extends Row['part']>(rows: readonly Row[], part: P) => {
  const row = rows.find((r) => r.part === part)
  return row && (partContent(part, row.content, row.record_version) as PartContent<P>)
}

/** Does what a fitting took off the shelf rest on this part? */
export const shelfRestsOn = (part: PartName): boolean => part === 'footwear' || part === 'handover'

/**
 * The shelf follows a fitting: a pair that is handed over is taken off it, once, and put back when the handover is
 * taken back, the footwear comes back, or another is chosen instead. In the caller's transaction, with the fitting
 * locked.
 *
 * @returns whether anything moved
 */
export async function shelfFollows(
  db: Client,
  person: SignedIn,
  fittingId: string,
): Promise<boolean> {
  const { rows } = await db.query<Row>(
    `select part, content, record_version from fitting_parts
     where fitting_id = $1 and part in ('footwear', 'handover')`,
    [fittingId],
  )
  const [footwear, handover] = [contentOf(rows, 'footwear'), contentOf(rows, 'handover')]
  const wanted = pairsTaken({ ...(footwear && { footwear }), ...(handover && { handover }) })
  const { rows: taken } = await db.query<{ model: string; size: string }>(
    'select model_id as model, size_mm as size from shelf_taken where fitting_id = $1',
    [fittingId],
  )
  const isSame = (a: { model: string; size: string }, b: ShelfPair) =>
    a.model === b.model && a.size === String(b.sizeMm)
  const comes = taken.filter((t) => !wanted.some((w) => isSame(t, w)))
  const goes = wanted.filter((w) => !taken.some((t) => isSame(t, w)))
  for (const { model, size } of comes) await putBack(db, person.shopId, fittingId, model, size)
  for (const pair of goes) await takeOff(db, person.shopId, fittingId, pair)
  if (comes.length + goes.length === 0) return false
  await audit(db, {
    shopId: person.shopId,
    person,
    fittingId,
    action: 'models.shelf',
    detail: { off: goes, back: comes },
  })
  return true
}

async function takeOff(db: Client, shopId: string, fittingId: string, pair: ShelfPair) {
  await db.query(
    `with here as (select place_id from fittings where id = $1),
     off as (
       update models m set stock = jsonb_set(
         m.stock, array[h.place_id::text, $4], to_jsonb((m.stock->h.place_id::text->>$4)::int - 1))
       from here h
       where m.shop_id = $2 and m.id = $3 and (m.stock->h.place_id::text->>$4)::int > 0
       returning 1
     )
     insert into shelf_taken (fitting_id, model_id, size_mm, place_id, pairs)
     select $1, $3, $4, place_id, (select count(*) from off) from here`,
    [fittingId, shopId, pair.model, String(pair.sizeMm)],
  )
}

async function putBack(db: Client, shopId: string, fittingId: string, model: string, size: string) {
  await db.query(
    `with back as (
       delete from shelf_taken where fitting_id = $1 and model_id = $3 and size_mm = $4
       returning place_id, pairs
     )
     update models m set stock = m.stock || jsonb_build_object(
       b.place_id::text, coalesce(m.stock->b.place_id::text, '{}') || jsonb_build_object(
         $4::text, coalesce((m.stock->b.place_id::text->>$4)::int, 0) + b.pairs))
     from back b where m.shop_id = $2 and m.id = $3`,
    [fittingId, shopId, model, size],
  )
}

/** Pairs that are chosen at a place and not handed over yet, by model and size: the fittings that wait for them. */
export async function reservedAt(db: Client, { shopId, placeId }: At): Promise<Reserved> {
  const { rows } = await db.query<{ id: string; content: unknown; record_version: number }>(
    `select f.id, p.content, p.record_version
     from fittings f join fitting_parts p on p.fitting_id = f.id and p.part = 'footwear'
     where f.shop_id = $1 and f.place_id = $2 and not f.handed_over
       and f.opened_on > current_date - $3::int and p.content ? 'chosen'`,
    [shopId, placeId, KEPT_BACK_DAYS],
  )
  const reserved: Reserved = {}
  for (const { id, content, record_version } of rows) {
    const footwear = partContent('footwear', content, record_version) as PartContent<'footwear'>
    for (const { model, sizeMm } of pairsChosen(footwear))
      ((reserved[model] ??= {})[String(sizeMm)] ??= []).push(id)
  }
  return reserved
}

/** What lies at a place, by model and size. */
export async function shelfOf(
  db: Client,
  { shopId, placeId }: At,
): Promise<Record<string, Record<string, number>>> {
  const { rows } = await db.query<{ id: string; shelf: Record<string, number> }>(
    `select id, stock->$2::text as shelf from models where shop_id = $1 and stock ? $2::text`,
    [shopId, placeId],
  )
  return Object.fromEntries(rows.map(({ id, shelf }) => [id, shelf]))
}
