import { newFittingBody } from '../../../../shared/contracts'
import { audit } from '../../../database/audit'
import { findClient } from '../../../database/clients'
import { openFurtherFitting } from '../../../database/fittings'
import { transaction } from '../../../database/pool'
import { addVisit } from '../../../database/visits'
import { localDay } from '../../../http/day'
import { here, idParam, route } from '../../../http/route'

/** A further fitting of a client, with a visit that begins now. */
export default route(
  { permission: 'clients.change', body: newFittingBody },
  ({ event, person, body }) =>
    transaction(async (db) => {
      const client = here(await findClient(db, person.shopId, idParam(event)))
      const fittingId = await openFurtherFitting(
        db,
        person,
        client.id,
        localDay(),
        person.name,
        body,
      )
      await addVisit(db, person, fittingId, new Date(), 'new fitting', 'now')
      await audit(db, {
        shopId: person.shopId,
        person,
        clientId: client.id,
        fittingId,
        action: 'fitting.open',
      })
      return { fittingId }
    }),
)
