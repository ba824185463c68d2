import { topological, type Problem } from './problem'
import type { Order } from './timing'

/**
 * Earliest starts and what must follow after each task, by windows, precedence and orders, minutes.
 */
function headsAndTails(
  problem: Problem,
  orders: readonly Order[] = [],
): { head: Float64Array; tail: Float64Array } {
  const { tasks } = problem
  const head = Float64Array.from(tasks, (t) => t.lo)
  const tail = new Float64Array(tasks.length)
  const order = topological(problem)
  // Orders may point against the way the tasks are listed: repeat until nothing moves (they hold no
  // circle).
  for (let moved = true, round = 0; moved && round <= tasks.length; round++) {
    moved = false
    const push = (from: number, to: number) => {
      const ends = head[from]! + tasks[from]!.minutes
      if (ends > head[to]!) {
        head[to] = ends
        moved = true
      }
      const after = tail[to]! + tasks[to]!.minutes
      if (after > tail[from]!) {
        tail[from] = after
        moved = true
      }
    }
    for (const i of order) for (const s of tasks[i]!.succs) push(i, s)
    for (const o of orders) push(o.from, o.to)
    if (orders.length === 0)
      for (const i of [...order].reverse()) for (const s of tasks[i]!.succs) push(i, s)
  }
  return { head, tail }
}

/**
 * A bound that no plan can be shorter than, minutes from the earliest opening. Two relaxations,
 * both proven: every task begins no earlier than its windows and predecessors let it, and what
 * follows it follows; and of the tasks of a resource that begin at a or later and have at least b
 * behind them, all work divided by how many there are of it lies between a and the end less b.
 */
export function lowerBound(problem: Problem, orders: readonly Order[] = []): number {
  const { tasks, caps, opening } = problem
  const { head, tail } = headsAndTails(problem, orders)
  let bound = opening
  for (const t of tasks) bound = Math.max(bound, head[t.index]! + t.minutes + tail[t.index]!)
  caps.forEach((cap, r) => {
    const users = tasks.filter((t) => t.minutes > 0 && t.needs.includes(r))
    if (users.length === 0 || cap === 0) return
    const work = (i: number) => tasks[i]!.minutes * tasks[i]!.needs.filter((x) => x === r).length
    const byTail = [...users].sort((a, b) => tail[b.index]! - tail[a.index]!)
    for (const a of new Set(users.map((t) => head[t.index]!))) {
      let sum = 0
      for (const t of byTail) {
        if (head[t.index]! < a) continue
        sum += work(t.index)
        bound = Math.max(bound, a + Math.ceil(sum / cap) + tail[t.index]!)
      }
    }
  })
  return bound - opening
}
