import { getQuery } from 'h3'
import { audit } from '../../database/audit'
import { putModelsJson } from '../../database/models'
import { transaction } from '../../database/pool'
import { route } from '../../http/route'
import { inThread } from '../../work/pool'

/** Adds or replaces models from a catalogue file. */
export default route(
  {
    permission: 'models.change',
    readBody: (bytes) => inThread('catalogue', [bytes], [bytes]),
    mostBytes: 24_000_000,
  },
  ({ event, person, body }) =>
    transaction(async (db) => {
      // A file that says nothing of the shelf, or what was counted when it was read, changes no count.
      const shelf = getQuery(event).shelf === 'stays' ? 'stays' : 'counts'
      await putModelsJson(db, person, body, shelf)
      const models = body.ids.length
      await audit(db, {
        shopId: person.shopId,
        person,
        action: 'models.import',
        detail: { models },
      })
      return { models }
    }),
)
