import { fingersBody } from '../../../shared/contracts'
import { audit } from '../../database/audit'
import { keepFingers } from '../../database/people'
import { transaction } from '../../database/pool'
import { route } from '../../http/route'

/** Calibrates the fingers of whoever is signed in. */
export default route({ permission: 'self.change', body: fingersBody }, ({ person, body }) =>
  transaction(async (db) => {
    await keepFingers(db, person.id, body)
    await audit(db, { shopId: person.shopId, person, action: 'self.fingers' })
    return { fingers: body }
  }),
)
