import { minuteOf, type Day } from './day'

/** A step that has to be placed, in numbers. Minutes count from midnight. */
export interface Task {
  index: number
  job: number
  step: string
  minutes: number
  /** resources by index, each as often as it is held */
  needs: number[]
  client: boolean
  /** indices of tasks that are over before it begins, and of those that wait for it */
  preds: number[]
  succs: number[]
  /** earliest and latest start */
  lo: number
  hi: number
  fixed: boolean
  /** what waits for it should follow at once */
  fresh: boolean
  /** is there room for it in its own hours and visit, whatever comes before and after? */
  fits: boolean
}

export interface JobInfo {
  id: string
  due: number | null
  tasks: number[]
  clients: number[]
  /** minutes of its client steps */
  clientMinutes: number
}

export interface Problem {
  tasks: Task[]
  jobs: JobInfo[]
  caps: number[]
  resourceIds: string[]
  /** the earliest opening of a resource: the day is counted from here */
  opening: number
}

/** A step that needs nobody and nothing may end long after closing time. */
const FAR = 3 * 24 * 60

/**
 * Everything that a running step waited for, by way of any number of steps: with a clock it is
 * over, whether somebody ticked it or not.
 */
function overBefore(day: Day): string[] {
  return day.running.flatMap(({ job, step }) => {
    const steps = new Map(day.jobs.find((j) => j.id === job)!.steps.map((s) => [s.id, s]))
    const over = new Set<string>()
    const walk = (id: string) =>
      steps.get(id)!.after.forEach((a) => over.has(a) || (over.add(a), walk(a)))
    walk(step)
    return [...over].map((id) => `${job}\n${id}`)
  })
}

/**
 * A day in numbers: steps that are over are left out, running ones stand where they began. Without
 * a `now` what a running step waits for is placed before it; with one it is over.
 */
export function problemOf(day: Day): Problem {
  const index = new Map(day.resources.map((r, i) => [r.id, i]))
  const opening = Math.min(...day.resources.map((r) => minuteOf(r.from)))
  const now = day.now === undefined ? opening : Math.max(opening, minuteOf(day.now))
  const done = new Set([
    ...day.done.map((d) => `${d.job}\n${d.step}`),
    ...(day.now === undefined ? [] : overBefore(day)),
  ])
  const since = new Map(day.running.map((r) => [`${r.job}\n${r.step}`, minuteOf(r.since)]))
  const pinned = new Map(day.pinned.map((r) => [`${r.job}\n${r.step}`, minuteOf(r.at)]))
  const tasks: Task[] = []
  const jobs = day.jobs.map((job, j): JobInfo => {
    const at = new Map<string, number>()
    for (const step of job.steps) {
      const key = `${job.id}\n${step.id}`
      if (done.has(key)) continue
      const started = since.get(key)
      const put = started ?? pinned.get(key)
      const windows = step.needs.map((n) => day.resources[index.get(n)!]!)
      let lo = Math.max(now, ...windows.map((r) => minuteOf(r.from)))
      let hi = Math.min(FAR, ...windows.map((r) => minuteOf(r.to) - step.minutes))
      if (step.client && job.visit) {
        lo = Math.max(lo, minuteOf(job.visit.from))
        hi = Math.min(hi, minuteOf(job.visit.to) - step.minutes)
      }
      if (put !== undefined) lo = hi = put
      at.set(step.id, tasks.length)
      tasks.push({
        index: tasks.length,
        job: j,
        step: step.id,
        minutes: step.minutes,
        needs: step.needs.map((n) => index.get(n)!),
        client: step.client,
        preds: [],
        succs: [],
        lo,
        hi,
        fixed: put !== undefined,
        fresh: step.fresh === true,
        fits: lo <= hi,
      })
    }
    for (const step of job.steps) {
      const me = at.get(step.id)
      if (me === undefined) continue
      for (const a of step.after) {
        const other = at.get(a)
        if (other === undefined) continue
        tasks[me]!.preds.push(other)
        tasks[other]!.succs.push(me)
      }
    }
    const own = [...at.values()]
    const clients = own.filter((t) => tasks[t]!.client)
    return {
      id: job.id,
      due: job.due === undefined ? null : minuteOf(job.due),
      tasks: own,
      clients,
      clientMinutes: clients.reduce((sum, t) => sum + tasks[t]!.minutes, 0),
    }
  })
  const problem = {
    tasks,
    jobs,
    caps: day.resources.map((r) => r.count),
    resourceIds: day.resources.map((r) => r.id),
    opening,
  }
  tighten(problem)
  return problem
}

/** Narrows every window by what must come before and after; a running step stays where it began. */
function tighten(problem: Problem) {
  const { tasks } = problem
  const order = topological(problem)
  for (const i of order)
    for (const s of tasks[i]!.succs)
      if (!tasks[s]!.fixed) tasks[s]!.lo = Math.max(tasks[s]!.lo, tasks[i]!.lo + tasks[i]!.minutes)
  for (const i of order.reverse())
    for (const p of tasks[i]!.preds)
      if (!tasks[p]!.fixed) tasks[p]!.hi = Math.min(tasks[p]!.hi, tasks[i]!.hi - tasks[p]!.minutes)
}

/** Tasks of a problem so that each comes after what it waits for. */
export function topological(problem: Problem): number[] {
  const open = problem.tasks.map((t) => t.preds.length)
  const queue = problem.tasks.filter((t) => t.preds.length === 0).map((t) => t.index)
  for (let k = 0; k < queue.length; k++)
    for (const s of problem.tasks[queue[k]!]!.succs) if (--open[s]! === 0) queue.push(s)
  return queue
}

/** What a plan costs, worst first: total lateness, client waiting, length of the day, minutes. */
export interface Cost {
  late: number
  waiting: number
  makespan: number
}

export const costLess = (a: Cost, b: Cost): boolean =>
  a.late !== b.late
    ? a.late < b.late
    : a.waiting !== b.waiting
      ? a.waiting < b.waiting
      : a.makespan < b.makespan

/** Cost of starts; steps that are not placed (NaN) are left out. */
export function costOf(problem: Problem, starts: ArrayLike<number>): Cost {
  let late = 0
  let waiting = 0
  let last = problem.opening
  for (const job of problem.jobs) {
    let end = -Infinity
    let first = Infinity
    let clientEnd = -Infinity
    for (const t of job.tasks) {
      const task = problem.tasks[t]!
      const from = starts[t]!
      if (Number.isNaN(from)) continue
      const to = from + task.minutes
      if (to > end) end = to
      if (task.client) {
        if (from < first) first = from
        if (to > clientEnd) clientEnd = to
      }
    }
    if (end === -Infinity) continue
    if (job.due !== null) late += Math.max(0, end - job.due)
    if (first !== Infinity) waiting += clientEnd - first - job.clientMinutes
    if (end > last) last = end
  }
  return { late, waiting, makespan: last - problem.opening }
}
