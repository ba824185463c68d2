import { toPlaceBody } from '../../../../shared/contracts'
import { audit } from '../../../database/audit'
import { isPlace, takeFitting } from '../../../database/places'
import { transaction } from '../../../database/pool'
import { tellShop } from '../../../http/listener'
import { here, idParam, route } from '../../../http/route'

/** Takes a fitting to another place of the shop: it is made there. */
export default route({ permission: 'jobs.change', body: toPlaceBody }, ({ event, person, body }) =>
  transaction(async (db) => {
    const at = { shopId: person.shopId, placeId: body.place }
    const fittingId = idParam(event)
    here((await isPlace(db, at)) || null)
    const { clientId } = here(await takeFitting(db, at, fittingId))
    await audit(db, {
      shopId: person.shopId,
      person,
      clientId,
      fittingId,
      action: 'fitting.place',
      detail: { place: body.place },
    })
    await tellShop(db, person.shopId, { what: 'bench' })
    return { place: body.place }
  }),
)
