import { audit } from '../../database/audit'
import { dropPhoto, photoBytes } from '../../database/photos'
import { transaction } from '../../database/pool'
import { here, idParam, route } from '../../http/route'

export default route({ permission: 'fittings.change' }, ({ event, person }) =>
  transaction(async (db) => {
    const photo = here(await photoBytes(db, person.shopId, idParam(event)))
    await dropPhoto(db, person.shopId, idParam(event))
    await audit(db, {
      shopId: person.shopId,
      person,
      clientId: photo.clientId,
      fittingId: photo.fittingId,
      action: 'photo.drop',
    })
    return { dropped: true }
  }),
)
