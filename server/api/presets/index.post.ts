import { presetBody } from '../../../shared/contracts'
import { audit } from '../../database/audit'
import { transaction } from '../../database/pool'
import { addPreset } from '../../database/presets'
import { HttpProblem } from '../../http/problem'
import { route } from '../../http/route'

/** Keeps a device as a preset of the shop. Reasons of one client do not go along. */
export default route({ permission: 'presets.change', body: presetBody }, ({ person, body }) =>
  transaction(async (db) => {
    const plain = <T extends { because?: string }>({ because: _, ...rest }: T) => rest
    const device = {
      ...body.device,
      layers: body.device.layers.map(plain) as typeof body.device.layers,
      posts: body.device.posts.map(plain),
    }
    const added = await addPreset(db, person.shopId, { ...body, device }, person.name)
    if (!added)
      throw new HttpProblem(
        409,
        'name-taken',
        `There is a preset "${body.name}" already. Choose another name, or remove that one first.`,
        { path: 'name' },
      )
    await audit(db, {
      shopId: person.shopId,
      person,
      action: 'preset.add',
      detail: { name: body.name },
    })
    return added
  }),
)
