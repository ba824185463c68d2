import { audit } from '../../database/audit'
import { database, transaction } from '../../database/pool'
import { dropScan, scanBytes } from '../../database/scans'
import { here, idParam, route } from '../../http/route'

/** Takes a scan out that should not be here, such as somebody else's. */
export default route({ permission: 'fittings.change' }, async ({ event, person }) => {
  const scan = here(await scanBytes(database(), person.shopId, idParam(event)))
  return transaction(async (db) => {
    await dropScan(db, person.shopId, idParam(event))
    await audit(db, {
      shopId: person.shopId,
      person,
      clientId: scan.clientId,
      fittingId: scan.fittingId,
      action: 'scan.drop',
    })
    return { dropped: true }
  })
})
