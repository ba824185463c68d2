import type { Problem } from './problem'

/**
 * The earliest moment at which more of a resource is held than there is: a smallest set of tasks of
 * which two at least must not overlap. Null when nothing is booked twice. Tasks that are not placed
 * (NaN) hold nothing.
 */
export function firstConflict(
  problem: Problem,
  starts: ArrayLike<number>,
): { resource: number; tasks: number[] } | null {
  let found: { resource: number; tasks: number[]; at: number } | null = null
  for (let r = 0; r < problem.caps.length; r++) {
    const users = problem.tasks
      .filter((t) => t.minutes > 0 && t.needs.includes(r) && !Number.isNaN(starts[t.index]!))
      .sort((a, b) => starts[a.index]! - starts[b.index]!)
    for (const u of users) {
      const at = starts[u.index]!
      if (found && at >= found.at) break
      const held = users.filter((v) => starts[v.index]! <= at && at < starts[v.index]! + v.minutes)
      const need = (t: number) => problem.tasks[t]!.needs.filter((x) => x === r).length
      if (held.reduce((sum, v) => sum + need(v.index), 0) <= problem.caps[r]!) continue
      // The fewest that already are too many, the greediest first.
      const set: number[] = []
      let sum = 0
      for (const v of [...held].sort((a, b) => need(b.index) - need(a.index))) {
        set.push(v.index)
        sum += need(v.index)
        if (sum > problem.caps[r]!) break
      }
      found = { resource: r, tasks: set, at }
    }
  }
  return found
}
