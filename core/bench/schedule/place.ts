import { costOf, topological, type Cost, type Problem, type Task } from './problem'

/** Who is held when: a count a minute for each resource, from the opening on. */
export class Occupancy {
  readonly #use: Uint8Array[]
  readonly #from: number
  readonly #minutes: number
  /** work done so far, in minutes looked at: the measure by which a search is stopped */
  looked = 0

  constructor(
    readonly problem: Problem,
    minutes: number,
  ) {
    this.#from = Math.min(problem.opening, ...problem.tasks.filter((t) => t.fixed).map((t) => t.lo))
    this.#minutes = minutes
    this.#use = problem.caps.map(() => new Uint8Array(minutes))
  }

  clear() {
    for (const u of this.#use) u.fill(0)
  }

  put(task: Task, start: number, by: 1 | -1) {
    for (const r of task.needs) {
      const use = this.#use[r]!
      const a = Math.max(0, start - this.#from)
      const b = Math.min(this.#minutes, start + task.minutes - this.#from)
      for (let m = a; m < b; m++) use[m]! += by
    }
  }

  /**
   * The earliest start from a minute on at which a task books nothing twice; NaN when its window
   * has none.
   */
  earliest(task: Task, from: number): number {
    let t = Math.max(task.lo, from)
    if (task.minutes === 0 || task.needs.length === 0) return t <= task.hi ? t : Number.NaN
    search: while (t <= task.hi) {
      for (const r of task.needs) {
        const use = this.#use[r]!
        const cap = this.problem.caps[r]!
        const own = task.needs.length > 1 ? task.needs.filter((x) => x === r).length : 1
        // Backwards, so that one busy minute rules out every start before it.
        for (let m = t + task.minutes - 1 - this.#from; m >= t - this.#from; m--) {
          this.looked++
          if (use[m]! + own > cap) {
            t = m + this.#from + 1
            continue search
          }
        }
      }
      return t
    }
    return Number.NaN
  }
}

interface JobShape {
  /** its steps, each after what it waits for */
  order: number[]
  /** the first of its client steps; −1 without any */
  first: number
  /** the shortest stay that precedence allows beyond the client's own steps, minutes */
  leastWaiting: number
}

/**
 * Builds plans job by job: each job's steps as early as the others leave room, its client's stay as
 * short as can be.
 */
export class Builder {
  readonly starts: Float64Array
  readonly occupancy: Occupancy
  readonly #shapes: JobShape[]

  constructor(readonly problem: Problem) {
    const order = topological(problem)
    this.starts = new Float64Array(problem.tasks.length).fill(Number.NaN)
    this.occupancy = new Occupancy(problem, 3 * 24 * 60)
    const place = new Map(order.map((t, i) => [t, i]))
    this.#shapes = problem.jobs.map((job) =>
      shapeOf(
        problem,
        job.tasks.slice().sort((a, b) => place.get(a)! - place.get(b)!),
      ),
    )
    this.reset()
  }

  /** Empties the plan but for what is running. */
  reset() {
    this.occupancy.clear()
    this.starts.fill(Number.NaN)
    for (const t of this.problem.tasks) if (t.fixed) this.#set(t, t.lo)
  }

  #set(task: Task, start: number) {
    this.starts[task.index] = start
    this.occupancy.put(task, start, 1)
  }

  remove(job: number) {
    for (const t of this.problem.jobs[job]!.tasks) {
      const task = this.problem.tasks[t]!
      if (task.fixed || Number.isNaN(this.starts[t]!)) continue
      this.occupancy.put(task, this.starts[t]!, -1)
      this.starts[t] = Number.NaN
    }
  }

  /** Puts steps of a job one after the other as early as they go, all or none. */
  #asap(steps: readonly number[], from: number, anchor: number, anchorStart: number): boolean {
    const put: number[] = []
    for (const t of steps) {
      const task = this.problem.tasks[t]!
      if (task.fixed || !Number.isNaN(this.starts[t]!)) continue
      let ready = t === anchor ? anchorStart : task.client ? from : 0
      for (const p of task.preds)
        ready = Math.max(ready, this.starts[p]! + this.problem.tasks[p]!.minutes)
      const start = this.occupancy.earliest(task, ready)
      if (Number.isNaN(start) || (t === anchor && start !== anchorStart)) {
        for (const u of put) {
          this.occupancy.put(this.problem.tasks[u]!, this.starts[u]!, -1)
          this.starts[u] = Number.NaN
        }
        return false
      }
      this.#set(task, start)
      put.push(t)
    }
    return true
  }

  /** Places a job; false when there is no room for it, and then nothing of it is placed. */
  insert(job: number): boolean {
    const shape = this.#shapes[job]!
    // A job that is looked at costs something even where nothing is held.
    this.occupancy.looked += 40 * shape.order.length
    if (shape.first < 0) return this.#asap(shape.order, 0, -1, 0)
    const { tasks } = this.problem
    const before = shape.order
      .slice(0, shape.order.indexOf(shape.first))
      .filter((t) => !tasks[t]!.client)
    const rest = shape.order
    if (!this.#asap(before, 0, -1, 0)) return false
    const first = tasks[shape.first]!
    let best: { start: number; late: number; waiting: number; end: number } | null = null
    let at = first.fixed
      ? first.lo
      : this.occupancy.earliest(
          first,
          Math.max(first.lo, ...first.preds.map((p) => this.starts[p]! + tasks[p]!.minutes)),
        )
    while (!Number.isNaN(at)) {
      if (this.#asap(rest, at, first.fixed ? -1 : shape.first, at)) {
        const cost = this.#jobCost(job)
        if (
          !best ||
          cost.late < best.late ||
          (cost.late === best.late &&
            (cost.waiting < best.waiting || (cost.waiting === best.waiting && cost.end < best.end)))
        )
          best = { start: at, ...cost }
        for (const t of rest) if (!tasks[t]!.fixed && !before.includes(t)) this.#unset(t)
        if (best.waiting <= shape.leastWaiting) break
      }
      if (first.fixed) break
      at = this.occupancy.earliest(first, at + 1)
    }
    if (!best) {
      this.remove(job)
      return false
    }
    return this.#asap(rest, best.start, first.fixed ? -1 : shape.first, best.start)
  }

  #unset(t: number) {
    if (Number.isNaN(this.starts[t]!)) return
    this.occupancy.put(this.problem.tasks[t]!, this.starts[t]!, -1)
    this.starts[t] = Number.NaN
  }

  #jobCost(job: number): { late: number; waiting: number; end: number } {
    const info = this.problem.jobs[job]!
    let end = 0
    let firstClient = Infinity
    let clientEnd = 0
    for (const t of info.tasks) {
      const to = this.starts[t]! + this.problem.tasks[t]!.minutes
      end = Math.max(end, to)
      if (this.problem.tasks[t]!.client) {
        firstClient = Math.min(firstClient, this.starts[t]!)
        clientEnd = Math.max(clientEnd, to)
      }
    }
    return {
      late: info.due === null ? 0 : Math.max(0, end - info.due),
      waiting: firstClient === Infinity ? 0 : clientEnd - firstClient - info.clientMinutes,
      end,
    }
  }

  cost(): Cost {
    return costOf(this.problem, this.starts)
  }
}

function shapeOf(problem: Problem, order: number[]): JobShape {
  const clients = order.filter((t) => problem.tasks[t]!.client)
  const first = clients[0] ?? -1
  // Longest way from the first client step to the end of the last, and at least the client's own
  // minutes.
  const reach = new Map<number, number>()
  let longest = 0
  for (const t of order) {
    const task = problem.tasks[t]!
    const from =
      t === first
        ? 0
        : Math.max(
            -Infinity,
            ...task.preds.map((p) => (reach.get(p) ?? -Infinity) + problem.tasks[p]!.minutes),
          )
    if (from > -Infinity) {
      reach.set(t, from)
      if (task.client) longest = Math.max(longest, from + task.minutes)
    }
  }
  const own = clients.reduce((sum, t) => sum + problem.tasks[t]!.minutes, 0)
  return { order, first, leastWaiting: Math.max(longest, 0) - own }
}
