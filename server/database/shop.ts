import type { ShopState } from '../../shared/shopDetails'
import type { Client } from './pool'

/** A shop's name and what its papers say of it. */
export async function readShop(db: Client, shopId: string): Promise<ShopState> {
  const { rows } = await db.query('select name, details from shops where id = $1', [shopId])
  return rows[0]
}

export const keepShop = (db: Client, shopId: string, { name, details }: ShopState) =>
  db.query('update shops set name = $2, details = $3 where id = $1', [
    shopId,
    name,
    JSON.stringify(details),
  ])
