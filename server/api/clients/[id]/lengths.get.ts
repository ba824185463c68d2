import { findClient } from '../../../database/clients'
import { lengthsOf } from '../../../database/followups'
import { database } from '../../../database/pool'
import { here, idParam, route } from '../../../http/route'

/** Foot lengths of a client over all fittings that the shop has. */
export default route({ permission: 'clients.see' }, async ({ event, person }) => {
  const { id } = here(await findClient(database(), person.shopId, idParam(event)))
  return (await lengthsOf(database(), person.shopId, [id])).get(id) ?? { left: [], right: [] }
})
