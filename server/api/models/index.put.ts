import { z } from 'zod'
import { parseCatalogue } from '../../../core/footwear/catalogueSchema'
import { audit } from '../../database/audit'
import { putModels } from '../../database/models'
import { transaction } from '../../database/pool'
import { route } from '../../http/route'

/** Adds or replaces models from a catalogue file. */
export default route(
  { permission: 'models.change', body: z.unknown(), mostBytes: 24_000_000 },
  ({ person, body }) => {
    const catalogue = parseCatalogue(body)
    return transaction(async (db) => {
      await putModels(db, person.shopId, catalogue.models)
      await audit(db, {
        shopId: person.shopId,
        person,
        action: 'models.import',
        detail: { models: catalogue.models.length },
      })
      return { models: catalogue.models.length }
    })
  },
)
