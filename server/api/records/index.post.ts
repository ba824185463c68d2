import { z } from 'zod'
import { parseRecord } from '../../../core/record/parse'
import { audit } from '../../database/audit'
import { importRecord } from '../../database/fittings'
import { transaction } from '../../database/pool'
import { localDay } from '../../http/day'
import { route } from '../../http/route'

/**
 * Imports a fitting record as a new client with one fitting. Anything else is refused with its
 * place; nothing stored is touched.
 */
export default route({ permission: 'records.import', body: z.unknown() }, ({ person, body }) => {
  const record = parseRecord(body)
  return transaction(async (db) => {
    const ids = await importRecord(db, person.shopId, record, localDay(), person.name)
    await audit(db, { shopId: person.shopId, person, ...ids, action: 'record.import' })
    return ids
  })
})
