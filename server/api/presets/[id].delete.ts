import { audit } from '../../database/audit'
import { transaction } from '../../database/pool'
import { dropPreset } from '../../database/presets'
import { here, idParam, route } from '../../http/route'

export default route({ permission: 'presets.change' }, ({ event, person }) =>
  transaction(async (db) => {
    const id = idParam(event)
    here((await dropPreset(db, person.shopId, id)) || null)
    await audit(db, { shopId: person.shopId, person, action: 'preset.drop', detail: { id } })
    return { removed: true }
  }),
)
