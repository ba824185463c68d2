import { modelSchema } from '../../../core/footwear/catalogueSchema'
import { keepModel } from '../../database/models'
import { route } from '../../http/route'

/** Keeps what is known of a model beside its inside. */
export default route({ permission: 'models.change', body: modelSchema }, ({ person, body }) =>
  keepModel(person, body, 'models.details'),
)
