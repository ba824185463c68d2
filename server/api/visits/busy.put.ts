import { busyBody } from '../../../shared/contracts'
import { audit } from '../../database/audit'
import { keepBusy } from '../../database/busyTimes'
import { transaction } from '../../database/pool'
import { isOfShop } from '../../database/staff'
import { tellShop } from '../../http/listener'
import { here, route } from '../../http/route'

/** When somebody is not to be had, from their own calendar: the times alone. It replaces what was read before. */
export default route({ permission: 'fittings.change', body: busyBody }, ({ person, body }) =>
  transaction(async (db) => {
    const who = { shopId: person.shopId, personId: body.personId }
    here((await isOfShop(db, who)) || null)
    await keepBusy(db, who, body.times)
    await audit(db, { shopId: person.shopId, person, action: 'visit.busy' })
    await tellShop(db, person.shopId, { what: 'bench' })
    return { kept: body.times.length }
  }),
)
