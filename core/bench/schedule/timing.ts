import { costOf, type Cost, type Problem } from './problem'

/** One before the other: `to` begins when `from` is over. */
export interface Order {
  from: number
  to: number
}

/**
 * Weights that put lateness before client waiting before the length of the day: each is larger than
 * all that follows can sum to in three days.
 */
const WAITING = 10_000
const LATE = 100_000_000_000

/**
 * The best starts when only windows, precedence and a set of orders hold, resources not looked at:
 * least total lateness, then client waiting, then length of the day. A linear programme over
 * differences; its dual is a flow of least cost, solved by successive longest paths (Ahuja,
 * Magnanti and Orlin 1993, ch. 9), so that the answer is exact and in whole minutes.
 *
 * @returns null when windows and orders contradict each other
 */
export function bestTiming(
  problem: Problem,
  orders: readonly Order[],
): { starts: Float64Array; cost: Cost } | null {
  const { tasks, jobs } = problem
  const n = tasks.length
  const from: number[] = []
  const to: number[] = []
  const length: number[] = []
  const edge = (u: number, v: number, d: number) => {
    from.push(u)
    to.push(v)
    length.push(d)
  }
  // Node 0 is the clock; then the steps; then for each job its lateness, the end and the beginning
  // of its client's stay; then the day's end.
  let nodes = n + 1
  const demand: number[] = [0]
  for (const t of tasks) {
    demand.push(0)
    edge(0, t.index + 1, t.lo)
    edge(t.index + 1, 0, -t.hi)
    for (const p of t.preds) edge(p + 1, t.index + 1, tasks[p]!.minutes)
  }
  for (const o of orders) edge(o.from + 1, o.to + 1, tasks[o.from]!.minutes)
  for (const job of jobs) {
    if (job.due !== null && job.tasks.length > 0) {
      const late = nodes++
      demand.push(LATE)
      edge(0, late, job.due)
      for (const t of job.tasks)
        if (tasks[t]!.succs.length === 0) edge(t + 1, late, tasks[t]!.minutes)
    }
    if (job.clients.length > 1) {
      const end = nodes++
      demand.push(WAITING)
      const begin = nodes++
      demand.push(-WAITING)
      for (const t of job.clients) {
        edge(t + 1, end, tasks[t]!.minutes)
        edge(begin, t + 1, 0)
      }
    }
  }
  const day = nodes++
  demand.push(1)
  edge(0, day, problem.opening)
  for (const t of tasks) if (t.succs.length === 0) edge(t.index + 1, day, t.minutes)
  demand[0] = -demand.reduce((sum, d) => sum + d, 0)

  const flow = new Float64Array(from.length)
  const out: number[][] = Array.from({ length: nodes }, () => [])
  const into: number[][] = Array.from({ length: nodes }, () => [])
  for (let e = 0; e < from.length; e++) {
    out[from[e]!]!.push(e)
    into[to[e]!]!.push(e)
  }
  const dist = new Float64Array(nodes)
  const via = new Int32Array(nodes)
  const seen = new Int32Array(nodes)
  const queued = new Uint8Array(nodes)
  /**
   * Longest paths in the residual network from some nodes; false when a circle grows without end.
   */
  const longest = (sources: readonly number[]): boolean => {
    dist.fill(-Infinity)
    via.fill(-1)
    seen.fill(0)
    queued.fill(0)
    const queue: number[] = []
    for (const s of sources) {
      dist[s] = 0
      queue.push(s)
      queued[s] = 1
    }
    for (let k = 0; k < queue.length; k++) {
      const u = queue[k]!
      queued[u] = 0
      const base = dist[u]!
      for (const e of out[u]!) {
        const v = to[e]!
        if (base + length[e]! > dist[v]!) {
          dist[v] = base + length[e]!
          via[v] = e
          if (!queued[v]) {
            if (++seen[v]! > nodes) return false
            queued[v] = 1
            queue.push(v)
          }
        }
      }
      for (const e of into[u]!) {
        if (flow[e]! <= 0) continue
        const v = from[e]!
        if (base - length[e]! > dist[v]!) {
          dist[v] = base - length[e]!
          via[v] = e
          if (!queued[v]) {
            if (++seen[v]! > nodes) return false
            queued[v] = 1
            queue.push(v)
          }
        }
      }
    }
    return true
  }
  if (!longest([0])) return null

  const rest = [...demand]
  for (;;) {
    const sources: number[] = []
    let sinks = 0
    for (let v = 0; v < nodes; v++) {
      if (rest[v]! < 0) sources.push(v)
      else if (rest[v]! > 0) sinks++
    }
    if (sinks === 0) break
    if (!longest(sources)) return null
    let sink = -1
    for (let v = 0; v < nodes; v++)
      if (rest[v]! > 0 && dist[v]! > -Infinity && (sink < 0 || dist[v]! > dist[sink]!)) sink = v
    if (sink < 0) return null
    let amount = rest[sink]!
    let v = sink
    while (via[v]! >= 0) {
      const e = via[v]!
      if (to[e] === v) v = from[e]!
      else {
        amount = Math.min(amount, flow[e]!)
        v = to[e]!
      }
    }
    amount = Math.min(amount, -rest[v]!)
    rest[v]! += amount
    rest[sink]! -= amount
    v = sink
    while (via[v]! >= 0) {
      const e = via[v]!
      if (to[e] === v) {
        flow[e]! += amount
        v = from[e]!
      } else {
        flow[e]! -= amount
        v = to[e]!
      }
    }
  }
  if (!longest([0])) return null
  const starts = dist.slice(1, n + 1)
  return { starts, cost: costOf(problem, starts) }
}
