import { dayPlanSchema, type DayPlan } from '../../../core/bench/dayPlan'
import { parseWith } from '../../../core/record/parse'
import { mergeParts } from '../../../core/record/merge'
import { planBody } from '../../../shared/contracts'
import { audit } from '../../database/audit'
import { keepPlan, readPlan } from '../../database/bench'
import type { At } from '../../database/places'
import { transaction, type Client } from '../../database/pool'
import { HttpProblem } from '../../http/problem'
import { route } from '../../http/route'
import { tellShop } from '../../http/listener'

/** Puts a plan's changes beside those of another that was kept meanwhile; false where they meet. */
async function keepBeside(
  db: Client,
  at: At,
  day: string,
  keep: (basedOn: number, whole: DayPlan) => Promise<boolean>,
  was: DayPlan | undefined,
  plan: DayPlan,
): Promise<boolean> {
  if (!was) return false
  const current = await readPlan(db, at, day)
  const merged = mergeParts('plan', was, plan, current.plan)
  return (
    merged.clashes.length === 0 &&
    keep(current.version, parseWith(dayPlanSchema, merged.content, 'plan'))
  )
}

/**
 * Keeps the plan of this place's day over the version it was made from, or beside what another kept meanwhile
 * where the two do not meet.
 */
export default route({ permission: 'jobs.change', body: planBody }, ({ person, body }) =>
  transaction(async (db) => {
    const { day, version, was, plan } = body
    const keep = (basedOn: number, whole: DayPlan) =>
      keepPlan(db, person, day, basedOn, whole, person.name)
    if (!(await keep(version, plan)) && !(await keepBeside(db, person, day, keep, was, plan)))
      throw new HttpProblem(
        409,
        'stale',
        'Someone kept another plan of this day meanwhile. It is loaded now; change that one.',
      )
    await audit(db, { shopId: person.shopId, person, action: `bench.plan:${body.day}` })
    await tellShop(db, person.shopId, { what: 'bench' })
    return readPlan(db, person, body.day)
  }),
)
