import type { Problem } from './problem'

/**
 * Moves steps whose result does not keep (a blank in the oven) as late as what waits for them
 * allows, without moving anything else: nothing becomes later for it, nobody waits longer, and
 * nothing is booked twice. Later steps first, so that a chain of them closes up.
 *
 * @param starts minutes since midnight by task; NaN where it is not placed; changed in place
 */
export function justInTime(problem: Problem, starts: Float64Array): Float64Array {
  const { tasks, caps } = problem
  const order = tasks
    .filter(
      (t) =>
        t.fresh && !t.fixed && !t.client && t.succs.length > 0 && !Number.isNaN(starts[t.index]!),
    )
    .sort((a, b) => starts[b.index]! - starts[a.index]!)
  for (const t of order) {
    const latest = Math.min(
      t.hi,
      ...t.succs.filter((s) => !Number.isNaN(starts[s]!)).map((s) => starts[s]! - t.minutes),
    )
    for (let at = Math.floor(latest); at > starts[t.index]!; at--) {
      if (!t.needs.every((r) => free(r, at, t.index))) continue
      starts[t.index] = at
      break
    }
  }
  function free(r: number, at: number, me: number): boolean {
    const own = tasks[me]!
    const users = tasks.filter(
      (u) =>
        u.index !== me &&
        u.minutes > 0 &&
        u.needs.includes(r) &&
        starts[u.index]! < at + own.minutes &&
        starts[u.index]! + u.minutes > at,
    )
    const need = (i: number) => tasks[i]!.needs.filter((x) => x === r).length
    // The most held at once is held at the start of one of them, or of this one.
    return [at, ...users.map((u) => starts[u.index]!)]
      .filter((m) => m >= at)
      .every(
        (m) =>
          need(me) +
            users
              .filter((u) => starts[u.index]! <= m && m < starts[u.index]! + u.minutes)
              .reduce((sum, u) => sum + need(u.index), 0) <=
          caps[r]!,
      )
  }
  return starts
}
