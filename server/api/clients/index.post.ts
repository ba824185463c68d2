import { newClientBody } from '../../../shared/contracts'
import { audit } from '../../database/audit'
import { addClient } from '../../database/clients'
import { openFitting } from '../../database/fittings'
import { transaction } from '../../database/pool'
import { addVisit } from '../../database/visits'
import { checkBornOn } from '../../http/bornOn'
import { localDay } from '../../http/day'
import { route } from '../../http/route'

/** A new client with a first fitting and a visit that begins now. */
export default route({ permission: 'clients.change', body: newClientBody }, ({ person, body }) =>
  transaction(async (db) => {
    checkBornOn(body.details)
    const client = await addClient(db, person.shopId, body.details)
    const fittingId = await openFitting(db, person, client.id, localDay())
    await addVisit(db, person, fittingId, new Date(), body.reason ?? 'first visit', 'now')
    await audit(db, {
      shopId: person.shopId,
      person,
      clientId: client.id,
      fittingId,
      action: 'client.add',
      detail: { after: client.details },
    })
    return { clientId: client.id, code: client.code, fittingId }
  }),
)
