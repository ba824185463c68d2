import { auditSeen } from '../../../database/audit'
import { readFitting } from '../../../database/fittings'
import { database } from '../../../database/pool'
import { forRole } from '../../../http/forRole'
import { here, idParam, route } from '../../../http/route'

export default route({ permission: 'fittings.see' }, async ({ event, person }) => {
  const state = here(await readFitting(database(), person.shopId, idParam(event)))
  await auditSeen({
    shopId: person.shopId,
    person,
    clientId: state.client.id,
    fittingId: state.id,
    action: 'fitting.see',
  })
  return forRole(state, person.role)
})
