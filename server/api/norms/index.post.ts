import { normsBody } from '../../../shared/contracts'
import { audit } from '../../database/audit'
import { addTables } from '../../database/shopTables'
import { outcomesChanged } from '../../database/outcomes'
import { transaction } from '../../database/pool'
import { HttpProblem } from '../../http/problem'
import { route } from '../../http/route'

/** A new version of the table; older ones stay, and so do the fittings judged by them. */
export default route({ permission: 'norms.change', body: normsBody }, ({ person, body }) =>
  transaction(async (db) => {
    const norms = await addTables(db, person.shopId, body.basedOn, body.norms, person.name)
    if (!norms)
      throw new HttpProblem(
        409,
        'stale',
        'Someone made a newer table meanwhile. Load it and change that one.',
      )
    await outcomesChanged(db, person.shopId)
    await audit(db, { shopId: person.shopId, person, action: `norms.version:${norms.version}` })
    return { norms }
  }),
)
