import { clientChangeBody } from '../../../../shared/contracts'
import { audit } from '../../../database/audit'
import { changeClient, findClient } from '../../../database/clients'
import { transaction } from '../../../database/pool'
import { HttpProblem } from '../../../http/problem'
import { here, idParam, route } from '../../../http/route'

export default route(
  { permission: 'clients.change', body: clientChangeBody },
  ({ event, person, body }) =>
    transaction(async (db) => {
      const before = here(await findClient(db, person.shopId, idParam(event)))
      const client = await changeClient(db, person.shopId, before.id, body.version, body.details)
      if (!client)
        throw new HttpProblem(409, 'stale', 'Someone changed this client meanwhile.', {
          current: {
            content: before.details,
            version: before.version,
            changedBy: null,
            changedAt: new Date().toISOString(),
          },
        })
      await audit(db, {
        shopId: person.shopId,
        person,
        clientId: client.id,
        action: 'client.change',
        detail: { before: before.details, after: client.details },
      })
      return { version: client.version, details: client.details }
    }),
)
