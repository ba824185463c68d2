import { modelSchema } from '../../../core/footwear/catalogueSchema'
import { audit } from '../../database/audit'
import { putModels } from '../../database/models'
import { transaction } from '../../database/pool'
import { route } from '../../http/route'

/** Keeps one shell that was measured here. Whole catalogues are the owner's. */
export default route({ permission: 'models.measure', body: modelSchema }, ({ person, body }) =>
  transaction(async (db) => {
    await putModels(db, person, [body])
    await audit(db, {
      shopId: person.shopId,
      person,
      action: 'models.measure',
      detail: { model: body.id },
    })
    return { models: 1 }
  }),
)
