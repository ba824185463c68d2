import { modelSchema } from '../../../core/footwear/catalogueSchema'
import { audit } from '../../database/audit'
import { putModels } from '../../database/models'
import { transaction } from '../../database/pool'
import { route } from '../../http/route'

/** Keeps what is known of a model beside its inside. */
export default route({ permission: 'models.change', body: modelSchema }, ({ person, body }) =>
  transaction(async (db) => {
    await putModels(db, person, [body])
    await audit(db, {
      shopId: person.shopId,
      person,
      action: 'models.details',
      detail: { model: body.id },
    })
    return { models: 1 }
  }),
)
