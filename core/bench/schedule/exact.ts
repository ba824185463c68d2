import { firstConflict } from './conflicts'
import { costLess, type Cost, type Problem } from './problem'
import { bestTiming, type Order } from './timing'

export interface Plan {
  starts: Float64Array
  cost: Cost
}

/**
 * The optimum by branch and bound: the best timing without resources is a bound; where it books something twice, one of the tasks involved must
 * be over before another begins (minimal forbidden sets, Bartusch, Möhring and Radermacher 1988; for costs that do not only grow with time,
 * De Reyck and Herroelen 1998).
 *
 * @param start a plan to beat, or null
 * @param mostNodes gives up after so many and says that it did not finish
 */
export function exactPlan(problem: Problem, start: Plan | null, mostNodes: number): { plan: Plan | null; finished: boolean } {
  let best = start
  let nodes = 0
  const orders: Order[] = []
  const visit = (here: Plan): boolean => {
    if (best && !costLess(here.cost, best.cost)) return true
    const conflict = firstConflict(problem, here.starts)
    if (!conflict) {
      best = here
      return true
    }
    if (conflict.tasks.length === 1) return true
    const children: { order: Order; plan: Plan }[] = []
    for (const from of conflict.tasks)
      for (const to of conflict.tasks) {
        if (from === to) continue
        if (++nodes > mostNodes) return false
        orders.push({ from, to })
        const plan = bestTiming(problem, orders)
        orders.pop()
        if (plan && (!best || costLess(plan.cost, best.cost))) children.push({ order: { from, to }, plan })
      }
    children.sort((a, b) => (costLess(a.plan.cost, b.plan.cost) ? -1 : costLess(b.plan.cost, a.plan.cost) ? 1 : 0))
    for (const child of children) {
      orders.push(child.order)
      const done = visit(child.plan)
      orders.pop()
      if (!done) return false
    }
    return true
  }
  const root = bestTiming(problem, [])
  const finished = root === null || visit(root)
  return { plan: best, finished }
}
