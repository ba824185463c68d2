import { audit } from '../../../database/audit'
import { eraseClient } from '../../../database/clients'
import { transaction } from '../../../database/pool'
import { noteErased } from '../../../documents/erasedList'
import { here, idParam, route } from '../../../http/route'

/**
 * Erases a client and drops their key; the trail keeps that it happened, not what it held. The id is
 * noted outside of the database too, so that no older backup brings them back.
 */
export default route({ permission: 'clients.erase' }, async ({ event, person }) => {
  const id = idParam(event)
  await transaction(async (db) => {
    here((await eraseClient(db, person.shopId, id)) || null)
    await audit(db, { shopId: person.shopId, person, action: 'client.erase' })
  })
  // Erased they are; a list that cannot be written now is made up for at the next start.
  await noteErased([id]).catch((error: { code?: string }) =>
    console.error(
      JSON.stringify({ level: 'warn', what: 'list of erased clients', code: error.code }),
    ),
  )
  return { erased: true }
})
