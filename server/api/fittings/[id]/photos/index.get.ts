import { readFitting } from '../../../../database/fittings'
import { photosOf } from '../../../../database/photos'
import { database } from '../../../../database/pool'
import { here, idParam, route } from '../../../../http/route'

export default route({ permission: 'clients.see' }, async ({ event, person }) => {
  const id = idParam(event)
  here(await readFitting(database(), person.shopId, id))
  return { photos: await photosOf(database(), person.shopId, id) }
})
