import { readFingers } from '../../database/people'
import { database } from '../../database/pool'
import { route } from '../../http/route'

/** The fingers of whoever is signed in; null until calibrated. */
export default route({ permission: 'self.see' }, async ({ person }) => ({
  fingers: await readFingers(database(), person.id),
}))
