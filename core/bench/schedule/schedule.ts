import { lowerBound } from './bound'
import { firstConflict } from './conflicts'
import { clockOf, minuteOf, type Day } from './day'
import { exactPlan } from './exact'
import { goodPlan } from './improve'
import { problemOf, type Problem } from './problem'
import { justInTime } from './justInTime'
import { bestTiming } from './timing'

/** A step with its time. */
export interface PlacedStep {
  job: string
  step: string
  start: string
  end: string
  needs: string[]
}

/** Something of the day that cannot be kept, with why. */
export interface Clash {
  job: string
  step?: string
  words: string
}

export interface Schedule {
  steps: PlacedStep[]
  makespanMin: number
  clientWaitingMin: number
  lateMin: number
  /**
   * no plan of this day can let clients wait less: what their own steps ask for, with nothing else
   * in the way; null where lateness and waiting pull apart
   */
  waitingBoundMin: number | null
  /** no plan of this day can be shorter */
  lowerBoundMin: number
  /** was it shown that no better plan exists? */
  optimal: boolean
  /** minutes each resource stands open and unused up to the last step */
  idleMin: Record<string, number>
  clashes: Clash[]
}

export interface ScheduleOptions {
  /**
   * how much the search may look at, minutes of occupancy; the house value takes a day of 40 jobs
   * about a second
   */
  work?: number
  /** starts of an earlier plan: jobs keep that order where nothing forces another */
  keep?: readonly PlacedStep[]
  stop?: () => boolean
}

/** Up to so many steps the optimum is looked for. */
const SMALL = 16
const MOST_NODES = 60_000
const HOUSE_WORK = 15_000_000
/**
 * Work of a re-plan: so little that a day-sized one answers at once; the plan it is made from
 * steers it.
 */
export const QUICK_WORK = 2_000_000

/**
 * Places every step of a day so that nothing and nobody is booked twice, client steps lie inside
 * their visit and each step follows what it waits for; among such plans least total lateness, then
 * least client waiting, then the shortest day. Small days are solved to the optimum; larger ones by
 * a search that stops after a fixed amount of work, with a proven bound beside it.
 *
 * For instance `schedule(parseDay(day))` is { steps: [{ job: 'a', step: 'oven', start: '10:10', … }],
 *   makespanMin: 212, … }
 */
export function schedule(
  day: Day,
  { work = HOUSE_WORK, keep, stop }: ScheduleOptions = {},
): Schedule {
  const problem = problemOf(day)
  const floor = lowerBound(problem)
  const small = problem.tasks.length <= SMALL
  // Without resources nobody can be less late, and among such plans no client can wait less.
  const free = bestTiming(problem, [])?.cost
  const found = goodPlan(
    problem,
    small ? Math.min(work, 400_000) : work,
    free ? { late: free.late, waiting: free.waiting, makespan: floor } : null,
    keep ? orderOf(problem, keep) : null,
    stop,
  )
  let { starts, cost, unplaced } = found
  let optimal = false
  const reached =
    free !== undefined &&
    unplaced.length === 0 &&
    cost.late === free.late &&
    cost.waiting === free.waiting &&
    cost.makespan <= floor
  if (small && !reached) {
    const exact = exactPlan(problem, unplaced.length === 0 ? { starts, cost } : null, MOST_NODES)
    optimal = exact.finished && exact.plan !== null
    if (exact.plan) ({ starts, cost, unplaced } = { ...exact.plan, unplaced: [] })
  } else optimal = reached
  justInTime(problem, (starts = Float64Array.from(starts)))
  return {
    steps: problem.tasks
      .filter((t) => !Number.isNaN(starts[t.index]!))
      .sort((a, b) => starts[a.index]! - starts[b.index]! || a.index - b.index)
      .map((t) => ({
        job: problem.jobs[t.job]!.id,
        step: t.step,
        start: clockOf(starts[t.index]!),
        end: clockOf(starts[t.index]! + t.minutes),
        needs: t.needs.map((r) => problem.resourceIds[r]!),
      })),
    makespanMin: cost.makespan,
    clientWaitingMin: cost.waiting,
    lateMin: cost.late,
    waitingBoundMin: free !== undefined && unplaced.length === 0 ? free.waiting : null,
    lowerBoundMin: Math.min(floor, cost.makespan),
    optimal,
    idleMin: idleOf(day, problem, starts, problem.opening + cost.makespan),
    clashes: clashesOf(problem, unplaced, starts),
  }
}

/** Jobs in the order of their first steps in an earlier plan; new ones behind. */
function orderOf(problem: Problem, keep: readonly PlacedStep[]): number[] {
  const first = new Map<string, number>()
  for (const s of keep) first.set(s.job, Math.min(first.get(s.job) ?? Infinity, minuteOf(s.start)))
  return problem.jobs
    .map((_, j) => j)
    .sort(
      (a, b) =>
        (first.get(problem.jobs[a]!.id) ?? 1e6) - (first.get(problem.jobs[b]!.id) ?? 1e6) || a - b,
    )
}

function idleOf(
  day: Day,
  problem: Problem,
  starts: ArrayLike<number>,
  end: number,
): Record<string, number> {
  return Object.fromEntries(
    day.resources.map((r, i) => {
      const used = problem.tasks
        .filter((t) => !Number.isNaN(starts[t.index]!))
        .reduce((sum, t) => sum + t.minutes * t.needs.filter((x) => x === i).length, 0)
      return [
        r.id,
        Math.max(0, (Math.min(minuteOf(r.to), end) - minuteOf(r.from)) * r.count - used),
      ]
    }),
  )
}

/** What a step that fits nowhere waits for, as it is said: the things it needs, and the visit. */
function hoursOf(needed: readonly string[], isAtVisit: boolean): string {
  const visit = isAtVisit || needed.length === 0 ? ['the visit'] : []
  return [needed.join(', '), ...visit].filter(Boolean).join(' and ')
}

function clashesOf(
  problem: Problem,
  unplaced: readonly number[],
  starts: ArrayLike<number>,
): Clash[] {
  const out: Clash[] = unplaced.map((j) => {
    const job = problem.jobs[j]!
    const never = job.tasks.map((t) => problem.tasks[t]!).find((t) => !t.fits)
    const needed = [...new Set(never?.needs.map((r) => problem.resourceIds[r]!))]
    return never
      ? {
          job: job.id,
          step: never.step,
          words:
            `${never.step} takes ${never.minutes} min; ` +
            `the hours of ${hoursOf(needed, never.client)} leave no room for it`,
        }
      : {
          job: job.id,
          words: `${job.id} has no room in this day beside the others: move its visit, give it more time or leave something out`,
        }
  })
  const twice = firstConflict(problem, starts)
  if (twice) {
    const tasks = twice.tasks.map((t) => problem.tasks[t]!)
    const held = tasks.map((task) => `${problem.jobs[task.job]!.id} ${task.step}`)
    out.push({
      job: problem.jobs[tasks[0]!.job]!.id,
      step: tasks[0]!.step,
      words: `${problem.resourceIds[twice.resource]} is held by ${held.join(' and ')} at once`,
    })
  }
  return out
}

/**
 * What a plan made again would move, before it moves: steps whose start changes, with by how much.
 */
export function planMoves(
  before: readonly PlacedStep[],
  after: readonly PlacedStep[],
): { job: string; step: string; from: string | null; to: string | null; byMin: number | null }[] {
  const key = (s: PlacedStep) => `${s.job}\n${s.step}`
  const old = new Map(before.map((s) => [key(s), s]))
  const next = new Map(after.map((s) => [key(s), s]))
  return [...new Set([...old.keys(), ...next.keys()])].flatMap((k) => {
    const [a, b] = [old.get(k), next.get(k)]
    if (a?.start === b?.start) return []
    return [
      {
        job: (a ?? b)!.job,
        step: (a ?? b)!.step,
        from: a?.start ?? null,
        to: b?.start ?? null,
        byMin: a && b ? minuteOf(b.start) - minuteOf(a.start) : null,
      },
    ]
  })
}
