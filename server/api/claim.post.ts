import { claimBody } from '../../shared/contracts'
import { claimCode } from '../database/people'
import { letIn } from '../http/letIn'
import { route } from '../http/route'

/** A code from the owner becomes a sign-in name and a password of one's own. */
export default route({ permission: 'public', body: claimBody }, ({ event, body }) =>
  letIn(event, {
    tries: 'claim',
    take: (db) => claimCode(db, body.code, body),
    wrong: 'No such code waits, or it ran out. Ask the owner for a new one.',
    action: 'person.claimed',
  }),
)
