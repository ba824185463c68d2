import { visitChangeBody } from '../../../shared/contracts'
import { audit } from '../../database/audit'
import { transaction } from '../../database/pool'
import { changeVisit } from '../../database/visits'
import { HttpProblem } from '../../http/problem'
import { idParam, route } from '../../http/route'

export default route(
  { permission: 'fittings.change', body: visitChangeBody },
  ({ event, person, body }) =>
    transaction(async (db) => {
      const visit = await changeVisit(db, person, idParam(event), body.version, body.state)
      if (!visit)
        throw new HttpProblem(
          409,
          'stale',
          'Someone changed this visit meanwhile. The list is being read again.',
        )
      await audit(db, {
        shopId: person.shopId,
        person,
        clientId: visit.client_id,
        fittingId: visit.fitting_id,
        action: `visit.${body.state}`,
      })
      return { version: visit.version }
    }),
)
