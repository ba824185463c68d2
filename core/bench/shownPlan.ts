import type { BenchDay } from './benchDay'
import type { BenchStep } from './jobSteps'
import { clockOf, minuteOf, type Day } from './schedule/day'
import { planMoves, type PlacedStep } from './schedule/schedule'

/** A step as the day's picture shows it. */
export interface ShownStep extends PlacedStep {
  state: 'done' | 'running' | 'planned'
  waiting: boolean
  client: boolean
}

/**
 * A plan as it stands now: what is over where it really was, what runs from when it began, the rest
 * where it was planned. Steps that are not in the kept plan yet are left out; the next plan places
 * them.
 *
 * @param jobs steps of each job by id, for when they were begun and done
 * @param clock time of day of an ISO moment, null when it is another day
 */
export function shownPlan(
  { day }: BenchDay,
  kept: readonly PlacedStep[],
  jobs: ReadonlyMap<string, readonly BenchStep[]>,
  clock: (moment: string) => string | null,
): ShownStep[] {
  const planned = new Map(kept.map((p) => [`${p.job}\n${p.step}`, p]))
  const running = new Map(day.running.map((r) => [`${r.job}\n${r.step}`, r.since]))
  const done = new Set(day.done.map((d) => `${d.job}\n${d.step}`))
  const pinned = new Map(day.pinned.map((p) => [`${p.job}\n${p.step}`, p.at]))
  const out: ShownStep[] = []
  for (const job of day.jobs) {
    const entries = new Map((jobs.get(job.id) ?? []).map((s) => [s.key, s.entry]))
    for (const step of job.steps) {
      const key = `${job.id}\n${step.id}`
      const base = {
        job: job.id,
        step: step.id,
        needs: step.needs,
        waiting: step.handsOn === false,
        client: step.client,
      }
      const entry = entries.get(step.id)
      if (done.has(key)) {
        const to = entry?.doneAt ? clock(entry.doneAt) : null
        const from = entry?.startedAt ? clock(entry.startedAt) : to
        if (to && from) out.push({ ...base, start: from, end: to, state: 'done' })
        else if (planned.has(key) && !entry)
          out.push({
            ...base,
            start: planned.get(key)!.start,
            end: planned.get(key)!.end,
            state: 'done',
          })
      } else if (running.has(key)) {
        const since = running.get(key)!
        out.push({
          ...base,
          start: since,
          end: clockOf(minuteOf(since) + step.minutes),
          state: 'running',
        })
      } else {
        const at = pinned.get(key) ?? planned.get(key)?.start
        if (at !== undefined)
          out.push({
            ...base,
            start: at,
            end: clockOf(minuteOf(at) + step.minutes),
            state: 'planned',
          })
      }
    }
  }
  return out
}

/**
 * Figures of a plan: minutes clients wait, minutes late, minutes hands are free until the last
 * step.
 */
export function planFigures(
  day: Day,
  plan: readonly PlacedStep[],
  overdue: readonly string[] = [],
): { waitingMin: number; lateMin: number; end: string | null } {
  let waitingMin = 0
  let lateMin = 0
  let end = 0
  for (const job of day.jobs) {
    const client = new Set(job.steps.filter((s) => s.client).map((s) => s.id))
    const own = plan.filter((p) => p.job === job.id)
    if (own.length === 0) continue
    const last = Math.max(...own.map((p) => minuteOf(p.end)))
    end = Math.max(end, last)
    if (job.due !== undefined && !overdue.includes(job.id))
      lateMin += Math.max(0, last - minuteOf(job.due))
    const there = own.filter((p) => client.has(p.step))
    if (there.length === 0) continue
    const [from, to] = [
      Math.min(...there.map((p) => minuteOf(p.start))),
      Math.max(...there.map((p) => minuteOf(p.end))),
    ]
    waitingMin += Math.max(
      0,
      to - from - there.reduce((sum, p) => sum + minuteOf(p.end) - minuteOf(p.start), 0),
    )
  }
  return { waitingMin, lateMin, end: end === 0 ? null : clockOf(end) }
}

/** Steps of a plan that are missing from another: the new ones first seen by a plan made again. */
export const missingSteps = (day: Day, shown: readonly PlacedStep[]): number => {
  const has = new Set(shown.map((s) => `${s.job}\n${s.step}`))
  const done = new Set(day.done.map((d) => `${d.job}\n${d.step}`))
  return day.jobs.reduce(
    (n, j) =>
      n +
      j.steps.filter((s) => !has.has(`${j.id}\n${s.id}`) && !done.has(`${j.id}\n${s.id}`)).length,
    0,
  )
}

/**
 * What a plan made again moves, in the order of the new times; only of steps that are still to
 * come.
 */
export function movesOf(shown: readonly ShownStep[], next: readonly PlacedStep[]) {
  const fixed = new Set(
    shown.filter((s) => s.state !== 'planned').map((s) => `${s.job}\n${s.step}`),
  )
  const open = (list: readonly PlacedStep[]) =>
    list.filter((s) => !fixed.has(`${s.job}\n${s.step}`))
  return planMoves(open(shown), open(next)).sort((a, b) =>
    (a.to ?? '99') < (b.to ?? '99') ? -1 : 1,
  )
}
