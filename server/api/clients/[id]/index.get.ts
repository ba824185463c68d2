import { auditSeen } from '../../../database/audit'
import { findClient } from '../../../database/clients'
import { fittingsOf } from '../../../database/fittings'
import { database } from '../../../database/pool'
import { here, idParam, route } from '../../../http/route'

export default route({ permission: 'clients.see' }, async ({ event, person }) => {
  const client = here(await findClient(database(), person.shopId, idParam(event)))
  await auditSeen({
    shopId: person.shopId,
    person,
    clientId: client.id,
    action: 'client.see',
  })
  return { ...client, fittings: await fittingsOf(database(), person.shopId, client.id) }
})
