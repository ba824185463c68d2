import { topological, type Problem } from './problem'

/** Earliest starts and what must follow after each task, by windows and precedence alone, minutes. */
export function headsAndTails(problem: Problem): { head: Float64Array; tail: Float64Array } {
  const { tasks } = problem
  const order = topological(problem)
  const head = new Float64Array(tasks.length)
  const tail = new Float64Array(tasks.length)
  for (const i of order) head[i] = Math.max(tasks[i]!.lo, ...tasks[i]!.preds.map((p) => head[p]! + tasks[p]!.minutes))
  for (const i of [...order].reverse()) tail[i] = Math.max(0, ...tasks[i]!.succs.map((s) => tasks[s]!.minutes + tail[s]!))
  return { head, tail }
}

/**
 * A bound that no plan can be shorter than, minutes from the earliest opening. Two relaxations, both proven: every task begins no earlier than
 * its windows and predecessors let it, and what follows it follows; and of the tasks of a resource that begin at a or later and have at least b
 * behind them, all work divided by how many there are of it lies between a and the end less b.
 */
export function lowerBound(problem: Problem): number {
  const { tasks, caps, opening } = problem
  const { head, tail } = headsAndTails(problem)
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
