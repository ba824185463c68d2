import { firstOwnerBody } from '../../shared/contracts'
import { claimOwner } from '../database/people'
import { letIn } from '../http/letIn'
import { route } from '../http/route'

/** The one-time code that the start printed becomes an owner. */
export default route({ permission: 'public', body: firstOwnerBody }, ({ event, body }) =>
  letIn(event, {
    tries: 'first-owner',
    take: (db) => claimOwner(db, body.code, body),
    wrong: 'This is not the code that the terminal printed.',
    action: 'owner.claimed',
  }),
)
