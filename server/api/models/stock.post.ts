import { stockBody } from '../../../shared/contracts'
import { audit } from '../../database/audit'
import { setStock } from '../../database/models'
import { transaction } from '../../database/pool'
import { here, route } from '../../http/route'

/** Counts the pairs of one size on this place's shelf. */
export default route({ permission: 'models.stock', body: stockBody }, ({ person, body }) =>
  transaction(async (db) => {
    here((await setStock(db, person, body.model, body.sizeMm, body.count)) || null)
    await audit(db, { shopId: person.shopId, person, action: 'models.stock', detail: body })
    return body
  }),
)
