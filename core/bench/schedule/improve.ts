import { Builder } from './place'
import { costLess, type Cost, type Problem } from './problem'
import { bestTiming, type Order } from './timing'

/** A small generator of repeatable chance, 0 to 1 (mulberry32). */
export function chance(seed: number): () => number {
  let a = seed >>> 0
  return () => {
    a = (a + 0x6d2b79f5) >>> 0
    let t = Math.imul(a ^ (a >>> 15), 1 | a)
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296
  }
}

export interface Found {
  starts: Float64Array
  cost: Cost
  /** jobs for which there was no room */
  unplaced: number[]
}

const better = (a: Found, b: Found | null): boolean =>
  b === null ||
  a.unplaced.length < b.unplaced.length ||
  (a.unplaced.length === b.unplaced.length && costLess(a.cost, b.cost))

/** Orders of jobs to begin with: by due time, by visit, by room to spare, by work. */
function firstOrders(problem: Problem): number[][] {
  const jobs = problem.jobs.map((_, j) => j)
  const { tasks } = problem
  const visit = (j: number) =>
    Math.min(...problem.jobs[j]!.clients.map((t) => tasks[t]!.hi), Infinity)
  const work = (j: number) =>
    problem.jobs[j]!.tasks.reduce((sum, t) => sum + tasks[t]!.minutes * tasks[t]!.needs.length, 0)
  const due = (j: number) => problem.jobs[j]!.due ?? Infinity
  const by = (...keys: ((j: number) => number)[]) =>
    [...jobs].sort(
      (a, b) => keys.map((k) => k(a) - k(b)).find((d) => d !== 0 && !Number.isNaN(d)) ?? a - b,
    )
  const slack = (j: number) => due(j) - work(j)
  // Clients who are there at a time of the day have least choice; they go first in most of these.
  return [
    by(visit, due),
    by((j) => (problem.jobs[j]!.clients.length ? 0 : 1), visit, slack),
    by(due, visit),
    by(slack),
    by((j) => -work(j)),
  ]
}

/**
 * A good plan for a whole day: jobs are put in one by one in several orders; then a few are taken
 * out and put back in another order, over and over, and what is not worse is kept (Shaw 1998: large
 * neighbourhoods). It stops after so much work, not after so much time, so that the same day gives
 * the same plan on every machine.
 *
 * @param work minutes of occupancy it may look at
 * @param given an order of jobs to begin with, as when a running plan is made again
 * @param floor a cost that cannot be beaten: the search is over there
 */
export function goodPlan(
  problem: Problem,
  work: number,
  floor: Cost | null,
  given: readonly number[] | null = null,
  stop: () => boolean = () => false,
): Found {
  const builder = new Builder(problem)
  const { occupancy } = builder
  let best: Found | null = null
  const snapshot = (unplaced: number[]): Found => ({
    starts: builder.starts.slice(),
    cost: builder.cost(),
    unplaced,
  })
  const build = (order: readonly number[]) => {
    builder.reset()
    const found = snapshot(order.filter((j) => !builder.insert(j)))
    // `cost` counts what is placed.
    if (better(found, best)) best = found
    return found
  }
  const orders = given ? [[...given], ...firstOrders(problem).slice(0, 1)] : firstOrders(problem)
  for (const order of orders) {
    build(order)
    if (occupancy.looked > work) break
  }
  let now = best! as Found
  const random = chance(20_261)
  const load = (from: Found) => {
    builder.reset()
    for (const t of problem.tasks)
      if (!t.fixed && !Number.isNaN(from.starts[t.index]!)) {
        builder.starts[t.index] = from.starts[t.index]!
        occupancy.put(t, from.starts[t.index]!, 1)
      }
  }
  load(now)
  const n = problem.jobs.length
  const done = () => floor !== null && best!.unplaced.length === 0 && !costLess(floor, best!.cost)
  for (let round = 0; n > 1 && occupancy.looked < work && !done() && !stop(); round++) {
    const size = Math.min(n, 2 + Math.floor(random() * Math.min(8, n)))
    const out = pick(problem, now, size, random)
    for (const j of out) builder.remove(j)
    shuffle(out, random)
    const unplaced = [...new Set([...out, ...now.unplaced])].filter((j) => !builder.insert(j))
    const found = snapshot(unplaced)
    const even =
      found.unplaced.length === now.unplaced.length &&
      found.cost.late === now.cost.late &&
      found.cost.waiting === now.cost.waiting &&
      found.cost.makespan === now.cost.makespan
    if (better(found, now) || even) {
      now = found
      if (better(now, best)) best = now
    } else {
      for (const j of new Set([...out, ...unplaced])) builder.remove(j)
      for (const j of out)
        for (const t of problem.jobs[j]!.tasks)
          if (!problem.tasks[t]!.fixed && !Number.isNaN(now.starts[t]!)) {
            builder.starts[t] = now.starts[t]!
            occupancy.put(problem.tasks[t]!, now.starts[t]!, 1)
          }
    }
  }
  return polished(problem, best! as Found)
}

/** Jobs to take out: late or waiting ones, those that end the day, and their neighbours in time. */
function pick(problem: Problem, now: Found, size: number, random: () => number): number[] {
  const n = problem.jobs.length
  const span = (j: number) => {
    const own = problem.jobs[j]!.tasks.filter((t) => !Number.isNaN(now.starts[t]!))
    return own.length === 0
      ? ([0, 0] as const)
      : ([
          Math.min(...own.map((t) => now.starts[t]!)),
          Math.max(...own.map((t) => now.starts[t]! + problem.tasks[t]!.minutes)),
        ] as const)
  }
  const end = problem.opening + now.cost.makespan
  const hurts = problem.jobs.flatMap((job, j) => {
    const [, to] = span(j)
    const clients = job.clients.map((t) => now.starts[t]!)
    const stay = clients.length
      ? Math.max(...job.clients.map((t) => now.starts[t]! + problem.tasks[t]!.minutes)) -
        Math.min(...clients) -
        job.clientMinutes
      : 0
    return (job.due !== null && to > job.due) || stay > 0 || to >= end - 2 ? [j] : []
  })
  const seed =
    hurts.length && random() < 0.7
      ? hurts[Math.floor(random() * hurts.length)]!
      : Math.floor(random() * n)
  const out = new Set([seed])
  const [a, b] = span(seed)
  const near = problem.jobs
    .map((_, j) => j)
    .filter((j) => {
      const [c, d] = span(j)
      return j !== seed && c < b && d > a
    })
  while (out.size < size)
    out.add(
      near.length && random() < 0.7
        ? near[Math.floor(random() * near.length)]!
        : Math.floor(random() * n),
    )
  return [...out]
}

function shuffle(list: number[], random: () => number) {
  for (let i = list.length - 1; i > 0; i--) {
    const k = Math.floor(random() * (i + 1))
    ;[list[i], list[k]] = [list[k]!, list[i]!]
  }
}

/** The same orders on every resource with the best timing for them. */
function polished(problem: Problem, found: Found): Found {
  if (found.unplaced.length > 0) return found
  const orders: Order[] = []
  problem.caps.forEach((_, r) => {
    const users = problem.tasks
      .filter((t) => t.minutes > 0 && t.needs.includes(r))
      .sort((a, b) => found.starts[a.index]! - found.starts[b.index]!)
    users.forEach((u, i) => {
      // Whoever is over when another begins stays before it; nearest first, and the chain carries
      // the rest.
      const ends = found.starts[u.index]! + u.minutes
      const next = users.slice(i + 1).filter((v) => found.starts[v.index]! >= ends)
      for (const v of next) {
        if (
          next.some((w) => w !== v && found.starts[w.index]! + w.minutes <= found.starts[v.index]!)
        )
          break
        orders.push({ from: u.index, to: v.index })
      }
    })
  })
  const timed = bestTiming(problem, orders)
  return timed && costLess(timed.cost, found.cost)
    ? { ...found, starts: timed.starts, cost: timed.cost }
    : found
}
