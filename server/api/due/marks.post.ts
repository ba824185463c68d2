import { dueMarkBody } from '../../../shared/contracts'
import { audit } from '../../database/audit'
import { dueLine, markDue } from '../../database/due'
import { transaction } from '../../database/pool'
import { here, route } from '../../http/route'

/** What was done about something that is due: it stays with who and when, and can be opened again. */
export default route({ permission: 'clients.change', body: dueMarkBody }, ({ person, body }) =>
  transaction(async (db) => {
    const { shopId } = person
    const { clientId } = here(await dueLine(db, shopId, body))
    await markDue(db, shopId, body, person.name)
    await audit(db, {
      shopId,
      person,
      clientId,
      fittingId: body.fittingId,
      action: `due.${body.state}`,
    })
    return {}
  }),
)
