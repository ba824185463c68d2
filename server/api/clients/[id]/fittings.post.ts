import { audit } from '../../../database/audit'
import { findClient } from '../../../database/clients'
import { openFitting } from '../../../database/fittings'
import { transaction } from '../../../database/pool'
import { addVisit } from '../../../database/visits'
import { localDay } from '../../../http/day'
import { here, idParam, route } from '../../../http/route'

/** A further fitting of a client, with a visit that begins now. */
export default route({ permission: 'clients.change' }, ({ event, person }) =>
  transaction(async (db) => {
    const client = here(await findClient(db, person.shopId, idParam(event)))
    const fittingId = await openFitting(db, person.shopId, client.id, localDay())
    await addVisit(db, person.shopId, fittingId, new Date(), 'new fitting', 'now')
    await audit(db, { shopId: person.shopId, person, clientId: client.id, fittingId, action: 'fitting.open' })
    return { fittingId }
  }),
)
