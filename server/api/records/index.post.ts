import { audit } from '../../database/audit'
import { importRecord } from '../../database/fittings'
import { transaction } from '../../database/pool'
import { localDay } from '../../http/day'
import { route } from '../../http/route'
import { inThread } from '../../work/pool'

/**
 * Imports a fitting record as a new client with one fitting. Anything else is refused with its
 * place; nothing stored is touched.
 */
export default route(
  {
    permission: 'records.import',
    readBody: (bytes) => inThread('record', [bytes], [bytes]),
  },
  ({ person, body }) =>
    transaction(async (db) => {
      const ids = await importRecord(db, person, body, localDay(), person.name)
      await audit(db, { shopId: person.shopId, person, ...ids, action: 'record.import' })
      return ids
    }),
)
