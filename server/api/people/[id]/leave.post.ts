import { audit } from '../../../database/audit'
import { transaction } from '../../../database/pool'
import { leaveShop, lockPerson, otherOwner } from '../../../database/staff'
import { tellShop } from '../../../http/listener'
import { lastOwner } from '../../../http/problem'
import { here, idParam, route } from '../../../http/route'

/** Somebody leaves: their sessions end, their name stays on what they did; one owner stays. */
export default route({ permission: 'people.change' }, ({ event, person }) =>
  transaction(async (db) => {
    const who = { shopId: person.shopId, personId: idParam(event) }
    const { name, role } = here(await lockPerson(db, who))
    if (role === 'owner' && !(await otherOwner(db, who))) throw lastOwner()
    await leaveShop(db, who)
    await audit(db, { shopId: who.shopId, person, action: `person.left ${name}`.slice(0, 100) })
    await tellShop(db, who.shopId, { what: 'sessions' })
    await tellShop(db, who.shopId, { what: 'bench' })
    return {}
  }),
)
