import { modelIdBody } from '../../../shared/contracts'
import { audit } from '../../database/audit'
import { removeModel } from '../../database/models'
import { transaction } from '../../database/pool'
import { here, route } from '../../http/route'

/** Takes a model out of the catalogue. */
export default route({ permission: 'models.change', body: modelIdBody }, ({ person, body }) =>
  transaction(async (db) => {
    here((await removeModel(db, person.shopId, body.model)) || null)
    await audit(db, { shopId: person.shopId, person, action: 'models.remove', detail: body })
    return { removed: body.model }
  }),
)
