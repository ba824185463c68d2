import { audit } from '../../database/audit'
import { dropDoubleReading } from '../../database/doubleReadings'
import { transaction } from '../../database/pool'
import { here, idParam, route } from '../../http/route'

export default route({ permission: 'fittings.change' }, ({ event, person }) =>
  transaction(async (db) => {
    here((await dropDoubleReading(db, person.shopId, idParam(event))) || null)
    await audit(db, { shopId: person.shopId, person, action: 'double-reading.drop' })
    return { dropped: true }
  }),
)
