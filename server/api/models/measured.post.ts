import { modelSchema } from '../../../core/footwear/catalogueSchema'
import { keepModel } from '../../database/models'
import { route } from '../../http/route'

/** Keeps one shell that was measured here. Whole catalogues are the owner's. */
export default route({ permission: 'models.measure', body: modelSchema }, ({ person, body }) =>
  keepModel(person, body, 'models.measure'),
)
