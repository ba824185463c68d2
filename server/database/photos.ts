import type { PhotoRow } from '../../shared/contracts'
import type { Client } from './pool'

/** At most so many photographs of one fitting. */
export const MOST_PHOTOS = 8

/** Photographs of a fitting without their pixels. */
export async function photosOf(db: Client, shopId: string, fittingId: string): Promise<PhotoRow[]> {
  const { rows } = await db.query(
    `select id, words, width, height, octet_length(jpeg) as bytes, made_by as "madeBy", made_at as "madeAt"
     from photos
     where shop_id = $1 and fitting_id = $2
     order by made_at`,
    [shopId, fittingId],
  )
  return rows.map((r) => ({ ...r, madeAt: r.madeAt.toISOString() }))
}

export async function addPhoto(
  db: Client,
  shopId: string,
  fittingId: string,
  photo: { words: string; width: number; height: number; jpeg: Buffer; by: string },
): Promise<string> {
  const { rows } = await db.query(
    'insert into photos (shop_id, fitting_id, words, width, height, jpeg, made_by) values ($1, $2, $3, $4, $5, $6, $7) returning id',
    [shopId, fittingId, photo.words, photo.width, photo.height, photo.jpeg, photo.by],
  )
  return rows[0].id
}

export async function photoBytes(
  db: Client,
  shopId: string,
  id: string,
): Promise<{ jpeg: Buffer; fittingId: string; clientId: string } | null> {
  const { rows } = await db.query(
    `select p.jpeg, p.fitting_id as "fittingId", f.client_id as "clientId"
     from photos p
     join fittings f on f.id = p.fitting_id
     where p.shop_id = $1 and p.id = $2`,
    [shopId, id],
  )
  return rows[0] ?? null
}

export async function dropPhoto(db: Client, shopId: string, id: string): Promise<boolean> {
  return (
    (await db.query('delete from photos where shop_id = $1 and id = $2', [shopId, id])).rowCount ===
    1
  )
}
