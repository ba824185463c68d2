import { planBody } from '../../../shared/contracts'
import { audit } from '../../database/audit'
import { keepPlan, readPlan } from '../../database/bench'
import { transaction } from '../../database/pool'
import { HttpProblem } from '../../http/problem'
import { route } from '../../http/route'
import { tellShop } from '../../http/listener'

/** Keeps the plan of a day over the version it was made from. */
export default route({ permission: 'jobs.change', body: planBody }, ({ person, body }) =>
  transaction(async (db) => {
    if (!(await keepPlan(db, person.shopId, body.day, body.version, body.plan, person.name)))
      throw new HttpProblem(
        409,
        'stale',
        'Someone kept another plan of this day meanwhile. It is loaded now; change that one.',
      )
    await audit(db, { shopId: person.shopId, person, action: `bench.plan:${body.day}` })
    await tellShop(db, person.shopId, { what: 'bench' })
    return readPlan(db, person.shopId, body.day)
  }),
)
