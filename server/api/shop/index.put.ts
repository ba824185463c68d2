import { shopBody } from '../../../shared/shopDetails'
import { audit } from '../../database/audit'
import { transaction } from '../../database/pool'
import { keepShop } from '../../database/shop'
import { tellShop } from '../../http/listener'
import { route } from '../../http/route'

/** Names the shop, and says what its papers say of it. */
export default route({ permission: 'shop.change', body: shopBody }, ({ person, body }) =>
  transaction(async (db) => {
    const { shopId } = person
    await keepShop(db, shopId, body)
    await audit(db, { shopId, person, action: 'shop.details' })
    await tellShop(db, shopId, { what: 'sessions' })
    return body
  }),
)
