import { audit } from '../../../database/audit'
import { eraseClient } from '../../../database/clients'
import { transaction } from '../../../database/pool'
import { here, idParam, route } from '../../../http/route'

/** Erases a client and drops their key; the trail keeps that it happened, not what it held. */
export default route({ permission: 'clients.erase' }, ({ event, person }) =>
  transaction(async (db) => {
    const id = idParam(event)
    here((await eraseClient(db, person.shopId, id)) || null)
    await audit(db, { shopId: person.shopId, person, action: 'client.erase' })
    return { erased: true }
  }),
)
