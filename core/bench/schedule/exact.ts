import { lowerBound } from './bound'
import { firstConflict } from './conflicts'
import { costLess, type Cost, type Problem } from './problem'
import { bestTiming, type Order } from './timing'

export interface Plan {
  starts: Float64Array
  cost: Cost
}

/**
 * The optimum by branch and bound: the best timing without resources is a bound; where it books
 * something twice, one of the tasks involved must be over before another begins (minimal forbidden
 * sets, Bartusch, Möhring and Radermacher 1988; for costs that do not only grow with time, De Reyck
 * and Herroelen 1998).
 *
 * @param start a plan to beat, or null
 * @param mostNodes gives up after so many and says that it did not finish
 */
export function exactPlan(
  problem: Problem,
  start: Plan | null,
  mostNodes: number,
): { plan: Plan | null; finished: boolean } {
  const n = problem.tasks.length
  if (n > 30) return { plan: start, finished: false }
  let best = start
  let nodes = 0
  const orders: Order[] = []
  /** the same orders are reached by many ways; each set of them, closed, is looked at once */
  const seen = new Set<string>()
  const roots = closureOf(problem)
  const cannotBeat = (cost: Cost): boolean => best !== null && !costLess(cost, best.cost)
  /** The plan's cost with the day at least as long as the work on its resources. */
  const bounded = (cost: Cost): Cost =>
    best && cost.late === best.cost.late && cost.waiting === best.cost.waiting
      ? { ...cost, makespan: Math.max(cost.makespan, lowerBound(problem, orders)) }
      : cost
  const visit = (here: Plan, after: Int32Array): boolean => {
    if (cannotBeat(here.cost)) return true
    const conflict = firstConflict(problem, here.starts)
    if (!conflict) {
      best = here
      return true
    }
    if (conflict.tasks.length === 1) return true
    const children: { order: Order; plan: Plan; after: Int32Array }[] = []
    for (const from of conflict.tasks)
      for (const to of conflict.tasks) {
        if (from === to || after[to]! & (1 << from)) continue
        const next = withOrder(after, from, to)
        const key = next.join()
        if (seen.has(key)) continue
        seen.add(key)
        if (++nodes > mostNodes) return false
        orders.push({ from, to })
        const plan = bestTiming(problem, orders)
        if (plan && !cannotBeat(plan.cost) && !cannotBeat(bounded(plan.cost)))
          children.push({ order: { from, to }, plan, after: next })
        orders.pop()
      }
    children.sort((a, b) =>
      costLess(a.plan.cost, b.plan.cost) ? -1 : costLess(b.plan.cost, a.plan.cost) ? 1 : 0,
    )
    for (const child of children) {
      orders.push(child.order)
      const done = visit(child.plan, child.after)
      orders.pop()
      if (!done) return false
    }
    return true
  }
  const root = bestTiming(problem, [])
  const finished = root === null || visit(root, roots)
  return { plan: best, finished }
}

/** For each task, as bits, the tasks that come after it. */
function closureOf(problem: Problem): Int32Array {
  let after = new Int32Array(problem.tasks.length)
  for (const t of problem.tasks) for (const s of t.succs) after = withOrder(after, t.index, s)
  return after
}

/**
 * The closure with one more order: whatever comes before `from` now also comes before all that
 * follows `to`.
 */
function withOrder(after: Int32Array, from: number, to: number): Int32Array<ArrayBuffer> {
  const gained = after[to]! | (1 << to)
  return Int32Array.from(after, (bits, i) =>
    i === from || bits & (1 << from) ? bits | gained : bits,
  )
}
