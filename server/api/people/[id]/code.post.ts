import { audit } from '../../../database/audit'
import { transaction } from '../../../database/pool'
import { inviteAgain, lockPerson } from '../../../database/staff'
import { tellShop } from '../../../http/listener'
import { here, idParam, route } from '../../../http/route'

/** A new code: for a forgotten password, a lost invitation, or somebody who comes back. */
export default route({ permission: 'people.change' }, ({ event, person }) =>
  transaction(async (db) => {
    const who = { shopId: person.shopId, personId: idParam(event) }
    const { name } = here(await lockPerson(db, who))
    const code = await inviteAgain(db, who)
    await audit(db, { shopId: who.shopId, person, action: `person.code ${name}`.slice(0, 100) })
    await tellShop(db, who.shopId, { what: 'sessions' })
    return { code }
  }),
)
