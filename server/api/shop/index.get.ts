import { database } from '../../database/pool'
import { readShop } from '../../database/shop'
import { route } from '../../http/route'

/** The shop's name and what its papers say of it. */
export default route({ permission: 'shop.see' }, ({ person }) =>
  readShop(database(), person.shopId),
)
