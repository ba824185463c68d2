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
  ({ person, body }) =>
    transaction(async (db) => {
      await putModelsJson(db, person, body)
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
