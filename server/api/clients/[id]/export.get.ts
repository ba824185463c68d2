import { setResponseHeader } from 'h3'
import { audit } from '../../../database/audit'
import { findClient } from '../../../database/clients'
import { fittingsOf, readFitting, recordOf } from '../../../database/fittings'
import { database } from '../../../database/pool'
import { here, idParam, route } from '../../../http/route'

/** Everything held of one client, as fitting records. */
export default route({ permission: 'clients.export' }, async ({ event, person }) => {
  const db = database()
  const client = here(await findClient(db, person.shopId, idParam(event)))
  const records = []
  for (const { id } of await fittingsOf(db, person.shopId, client.id)) records.push(recordOf(here(await readFitting(db, person.shopId, id))))
  await audit(db, { shopId: person.shopId, person, clientId: client.id, action: 'client.export' })
  setResponseHeader(event, 'content-disposition', `attachment; filename="${client.code}-all.json"`)
  return { client: client.details, records }
})
