import type { Place, PlacesState } from '../../shared/contracts'
import type { Client } from './pool'

/** Where something is asked or written: a shop, and one of its places. */
export interface At {
  shopId: string
  placeId: string
}

/** What is asked of a whole shop, or of one of its places. */
export type Asked = Pick<At, 'shopId'> & Partial<At>

/** Open places of a shop, in their order. */
export async function listPlaces(db: Client, shopId: string): Promise<Place[]> {
  const { rows } = await db.query({
    name: 'places',
    text: 'select id, name from places where shop_id = $1 and closed_at is null order by position, name',
    values: [shopId],
  })
  return rows
}

/** The same, with where everybody usually works. */
export async function placesAndPeople(db: Client, shopId: string): Promise<PlacesState> {
  const { rows } = await db.query(
    'select id, name, place_id as "placeId" from people where shop_id = $1 and left_at is null order by name',
    [shopId],
  )
  return { places: await listPlaces(db, shopId), people: rows }
}

/** Is it an open place of this shop? */
export async function isPlace(db: Client, { shopId, placeId }: At): Promise<boolean> {
  const { rows } = await db.query(
    'select 1 from places where shop_id = $1 and id = $2 and closed_at is null',
    [shopId, placeId],
  )
  return rows.length > 0
}

/** Opens a place behind the others; null when there is one of that name. */
export async function addPlace(db: Client, shopId: string, name: string): Promise<string | null> {
  const { rows } = await db.query(
    `insert into places (shop_id, name, position)
     select $1, $2, coalesce(max(position), 0) + 1 from places where shop_id = $1
     on conflict do nothing returning id`,
    [shopId, name],
  )
  return rows[0]?.id ?? null
}

/** Names a place; false when another one is called so, or there is none. */
export async function renamePlace(
  db: Client,
  { shopId, placeId }: At,
  name: string,
): Promise<boolean> {
  const { rowCount } = await db.query(
    `update places set name = $3
     where shop_id = $1 and id = $2 and closed_at is null
       and not exists (
         select 1 from places
         where shop_id = $1 and id <> $2 and lower(name) = lower($3) and closed_at is null
       )`,
    [shopId, placeId, name],
  )
  return rowCount === 1
}

/**
 * Closes a place: what is still to be done there, its people, its shelf and its timers go to another.
 * What was done there stays where it was done. Both must be open places of the shop, and two.
 */
export async function closePlace(db: Client, from: At, to: string): Promise<void> {
  const values = [from.shopId, from.placeId, to]
  for (const sql of [
    `update fittings set place_id = $3 where shop_id = $1 and place_id = $2
     and (not handed_over or round_opened_on is not null)`,
    `update visits set place_id = $3 where shop_id = $1 and place_id = $2 and state <> 'seen'`,
    `update timers set place_id = $3 where shop_id = $1 and place_id = $2 and state <> 'stopped'`,
    'update heat_logs set place_id = $3 where shop_id = $1 and place_id = $2 and stopped_at is null',
    // A day that both have planned stays as the other place plans it.
    `update bench_plans p set place_id = $3
     where shop_id = $1 and place_id = $2 and day >= current_date
       and not exists (
         select 1 from bench_plans o where o.shop_id = $1 and o.place_id = $3 and o.day = p.day
       )`,
    `update shelf_taken t set place_id = $3 from fittings f
     where f.id = t.fitting_id and f.shop_id = $1 and t.place_id = $2`,
    'update people set place_id = $3 where shop_id = $1 and place_id = $2',
    `update sessions s set place_id = $3 from people p
     where p.id = s.person_id and p.shop_id = $1 and s.place_id = $2`,
    // Sizes that lie at both places are counted together.
    `update models set stock = (stock - $2::text) || jsonb_build_object($3::text, (
        select coalesce(jsonb_object_agg(size, pairs), '{}') from (
          select size, sum(count::int) as pairs
          from (
            select * from jsonb_each_text(coalesce(stock->$2::text, '{}')) as a(size, count)
            union all
            select * from jsonb_each_text(coalesce(stock->$3::text, '{}')) as b(size, count)
          ) both_places group by size
        ) summed
      ))
     where shop_id = $1::uuid and stock ? $2::text`,
    'update places set closed_at = now() where shop_id = $1 and id = $2 and id <> $3',
  ])
    await db.query(sql, values)
}

/** Says where somebody usually works; null: anywhere. False when there is nobody of this id. */
export async function usualPlace(
  db: Client,
  shopId: string,
  personId: string,
  placeId: string | null,
): Promise<boolean> {
  const { rowCount } = await db.query(
    'update people set place_id = $3 where shop_id = $1 and id = $2',
    [shopId, personId, placeId],
  )
  return rowCount === 1
}

/** Takes a fitting to another place, where it is made. @returns whose it is; null when there is none */
export async function takeFitting(
  db: Client,
  { shopId, placeId }: At,
  fittingId: string,
): Promise<{ clientId: string } | null> {
  const { rows } = await db.query(
    'update fittings set place_id = $3 where shop_id = $1 and id = $2 returning client_id as "clientId"',
    [shopId, fittingId, placeId],
  )
  return rows[0] ?? null
}

/** A session works at another place of its shop from now on. */
export const moveSession = (db: Client, sessionId: string, placeId: string) =>
  db.query('update sessions set place_id = $2 where id = $1', [sessionId, placeId])
