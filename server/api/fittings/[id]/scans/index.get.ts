import { readFitting } from '../../../../database/fittings'
import { database } from '../../../../database/pool'
import { scansOf } from '../../../../database/scans'
import { here, idParam, route } from '../../../../http/route'

export default route({ permission: 'shapes.see' }, async ({ event, person }) => {
  const id = idParam(event)
  here(await readFitting(database(), person.shopId, id))
  return { scans: await scansOf(database(), person.shopId, id) }
})
