import { personChangeBody } from '../../../../shared/contracts'
import { audit } from '../../../database/audit'
import { transaction } from '../../../database/pool'
import { changePerson, lockPerson, otherOwner } from '../../../database/staff'
import { tellShop } from '../../../http/listener'
import { lastOwner } from '../../../http/problem'
import { here, idParam, route } from '../../../http/route'

/** Changes somebody's name, role, skills or hours; one owner stays. */
export default route(
  { permission: 'people.change', body: personChangeBody },
  ({ event, person, body }) =>
    transaction(async (db) => {
      const who = { shopId: person.shopId, personId: idParam(event) }
      const { name, role } = here(await lockPerson(db, who))
      const isOther = body.role !== undefined && body.role !== role
      if (isOther && role === 'owner' && !(await otherOwner(db, who))) throw lastOwner()
      await changePerson(db, who, isOther ? body : { ...body, role: undefined })
      const what = isOther ? `, ${role} to ${body.role}` : ''
      await audit(db, {
        shopId: who.shopId,
        person,
        action: `person.change ${name}${what}`.slice(0, 100),
      })
      await tellShop(db, who.shopId, { what: 'sessions' })
      await tellShop(db, who.shopId, { what: 'bench' })
      return {}
    }),
)
