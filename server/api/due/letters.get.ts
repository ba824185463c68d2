import { database } from '../../database/pool'
import { newestLetters } from '../../database/letters'
import { route } from '../../http/route'

/** The outbox: the newest letters to clients, and what became of each. */
export default route({ permission: 'clients.see' }, async ({ person }) => ({
  letters: await newestLetters(database(), person.shopId),
}))
