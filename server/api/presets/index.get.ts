import { database } from '../../database/pool'
import { readPresets } from '../../database/presets'
import { route } from '../../http/route'

export default route({ permission: 'presets.see' }, async ({ person }) => ({
  presets: await readPresets(database(), person.shopId),
}))
