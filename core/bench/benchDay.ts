import { PEOPLE, type BenchResource } from '../tables/benchResources'
import type { BenchStep } from './jobSteps'
import { clockOf, minuteOf, parseDay, type Day, type DayStep } from './schedule/day'

/** A fitting on the bench, as the day sees it. */
export interface BenchJob {
  id: string
  steps: readonly BenchStep[]
  /** ISO day and time it was promised for */
  promisedOn?: string
  promisedAt?: string
}

/** A visit of the day; `over` once the client was seen. */
export interface BenchVisit {
  id: string
  job: string
  from: string
  minutes: number
  state: 'to-come' | 'waiting' | 'now' | 'seen'
}

/** Something of the day that is no fitting: lunch, a delivery, cleaning. */
export interface OwnWork {
  id: string
  name: string
  minutes: number
  needs: string[]
  /** at a fixed time, else wherever there is room */
  at?: string
  done?: boolean
}

export interface BenchDayInput {
  /** ISO day */
  day: string
  /** time now, when the day is today */
  now?: string
  resources: readonly BenchResource[]
  /** how many people are on duty */
  people: number
  jobs: readonly BenchJob[]
  visits: readonly BenchVisit[]
  own: readonly OwnWork[]
  /** steps set by hand, by job and step key */
  pinned: readonly { job: string; step: string; at: string }[]
}

/** Why a step is not on this day. */
export interface Later {
  job: string
  step: string
  why: 'no visit' | 'over night' | 'follows'
}

export interface BenchDay {
  day: Day
  later: Later[]
  /** jobs promised for an earlier day: they come first, but nothing of this day makes them late */
  overdue: string[]
}

/** Id of a visit's talk among the steps of a job, and of a visit that is a job of its own. */
export const TALK = 'visit'
export const visitJob = (id: string): string => `visit ${id}`
export const ownJob = (id: string): string => `own ${id}`

const isOver = (s: BenchStep) => s.state === 'done' || s.state === 'skipped'
/** Of what a visit leaves beside its steps, so much is talk at its beginning (house default). */
const TALK_SHARE = 0.5
const LEAST_TALK = 5
/**
 * A client who is here stays at least so long from now on, however long the visit was meant to be,
 * min.
 */
const STAYS_MIN = 30

/** Minutes of a running step: as planned, or as long as it has taken and one more. */
function runningMinutes(s: BenchStep, since: number, now: number): number {
  const planned = s.entry?.plannedMin ?? s.minutes
  return Math.max(1, Math.round(planned), now - since + 1)
}

/**
 * The day's problem: what is left of every job that can be done on it. Steps with the client stand
 * in the client's visit and, without one, wait with all that follows them; so does what comes after
 * a step that goes on over night. A visit that has no step at the bench holds chair and hands.
 *
 * @param clock time of day of an ISO moment, HH:MM in the shop's own time; null when it is another
 *   day
 * @example benchDay({ day: '2026-11-25', resources: HOUSE_TABLES.benchResources, people: 2, jobs: [], visits:
 *   [], own: [], pinned: [] }, () => null).day.jobs // []
 */
export function benchDay(input: BenchDayInput, clock: (moment: string) => string | null): BenchDay {
  const now = input.now === undefined ? undefined : minuteOf(input.now)
  const has = new Set(input.resources.map((r) => r.id))
  const hands = has.has(PEOPLE) ? [PEOPLE] : []
  const opening = Math.min(...input.resources.map((r) => minuteOf(r.from)))
  const closing = Math.max(...input.resources.map((r) => minuteOf(r.to)))
  const later: Later[] = []
  const overdue: string[] = []
  const jobs: Day['jobs'] = []
  const running: Day['running'] = []
  const done: Day['done'] = []
  const pinned: Day['pinned'] = []
  const pins = new Map(input.pinned.map((p) => [`${p.job}\n${p.step}`, p.at]))
  const pin = (job: string, step: string) => {
    const at = pins.get(`${job}\n${step}`)
    if (at !== undefined && (now === undefined || minuteOf(at) >= now))
      pinned.push({ job, step, at })
  }
  const windowOf = (v: BenchVisit) => {
    const start = v.state === 'now' ? minuteOf(v.from) : Math.max(minuteOf(v.from), now ?? 0)
    return {
      from: clockOf(Math.min(start, 1435)),
      to: clockOf(
        Math.min(
          1440,
          Math.max(start + v.minutes, v.state === 'now' && now !== undefined ? now + STAYS_MIN : 0),
        ),
      ),
    }
  }
  const used = new Set<string>()
  for (const job of input.jobs) {
    const visit = input.visits.find((v) => v.job === job.id && v.state !== 'seen')
    const out = new Set<string>()
    const steps: DayStep[] = []
    // Steps stand in the order of their process; what waits for a step that is not today is not
    // today either.
    for (const s of order(job.steps)) {
      const why: Later['why'] | null = isOver(s)
        ? null
        : s.after.some((a) => out.has(a))
          ? 'follows'
          : s.client && s.state !== 'running' && !visit
            ? 'no visit'
            : null
      if (why) {
        out.add(s.key)
        later.push({ job: job.id, step: s.key, why })
        continue
      }
      const since = s.state === 'running' && s.entry?.startedAt ? clock(s.entry.startedAt) : null
      if (s.overnight && !isOver(s)) {
        out.add(s.key)
        if (s.state === 'running') {
          later.push({ job: job.id, step: s.key, why: 'over night' })
          continue
        }
      }
      const needs = (s.waiting ? [...s.needs] : [...hands, ...s.needs]).filter((n) => has.has(n))
      const began = since === null ? (now ?? opening) : minuteOf(since)
      const minutes = s.overnight
        ? 0
        : s.state === 'running'
          ? runningMinutes(s, began, now ?? began)
          : Math.round(s.minutes)
      steps.push({
        id: s.key,
        minutes,
        needs,
        handsOn: !s.waiting,
        client: s.client === true,
        after: s.after.filter((a) => !out.has(a)),
        ...(s.fresh && { fresh: true }),
        words: s.words.slice(0, 200),
      })
      if (isOver(s)) done.push({ job: job.id, step: s.key })
      else if (s.state === 'running')
        running.push({ job: job.id, step: s.key, since: clockOf(began) })
      else pin(job.id, s.key)
    }
    if (steps.length === 0) continue
    const open = steps.filter((s) => !done.some((d) => d.job === job.id && d.step === s.id))
    const window = visit && open.some((s) => s.client) ? windowOf(visit) : undefined
    if (window) {
      used.add(visit!.id)
      const first = open.filter(
        (s) => s.client && !running.some((r) => r.job === job.id && r.step === s.id),
      )
      const talk =
        visit!.state === 'now'
          ? 0
          : Math.max(LEAST_TALK, Math.round((visit!.minutes - pathOf(open)) * TALK_SHARE))
      if (talk > 0 && first.length > 0) {
        steps.unshift({
          id: TALK,
          minutes: talk,
          needs: [...hands, ...['chair'].filter((c) => has.has(c))],
          client: true,
          after: [],
          words: 'Client sits down, talk',
        })
        for (const s of first) s.after = [...s.after, TALK]
        pin(job.id, TALK)
      }
    }
    if (job.promisedOn !== undefined && job.promisedOn < input.day) overdue.push(job.id)
    const due =
      job.promisedOn === undefined || job.promisedOn > input.day
        ? undefined
        : job.promisedOn < input.day
          ? clockOf(now ?? opening)
          : (job.promisedAt ?? clockOf(closing))
    jobs.push({ id: job.id, steps, ...(due && { due }), ...(window && { visit: window }) })
  }
  for (const v of input.visits) {
    if (used.has(v.id) || v.state === 'seen') continue
    const id = visitJob(v.id)
    const start = minuteOf(v.from)
    const isNow = v.state === 'now' && now !== undefined && now >= start
    const minutes = isNow ? Math.max(v.minutes, now - start + 1) : v.minutes
    jobs.push({
      id,
      visit: windowOf(v),
      steps: [
        {
          id: TALK,
          minutes,
          needs: [...hands, ...['chair'].filter((c) => has.has(c))],
          client: true,
          after: [],
          words: 'Visit',
        },
      ],
    })
    if (isNow) running.push({ job: id, step: TALK, since: v.from })
    else pin(id, TALK)
  }
  for (const o of input.own) {
    const id = ownJob(o.id)
    jobs.push({
      id,
      steps: [
        {
          id: 'work',
          minutes: o.minutes,
          needs: o.needs.filter((n) => has.has(n)),
          client: false,
          after: [],
          words: o.name,
        },
      ],
    })
    if (o.done) done.push({ job: id, step: 'work' })
    else if (o.at && (now === undefined || minuteOf(o.at) >= now))
      pinned.push({ job: id, step: 'work', at: o.at })
    else pin(id, 'work')
  }
  const resources = input.resources.map((r) => ({
    id: r.id,
    name: r.name,
    count: r.id === PEOPLE ? input.people : r.count,
    from: r.from,
    to: r.to,
  }))
  return {
    day: parseDay({
      resources,
      jobs,
      running,
      done,
      pinned,
      ...(input.now !== undefined && { now: input.now }),
    }),
    later,
    overdue,
  }
}

/** Steps so that each comes after what it waits for, else as they stand. */
function order(steps: readonly BenchStep[]): BenchStep[] {
  const out: BenchStep[] = []
  const left = [...steps]
  while (left.length > 0) {
    const k = left.findIndex((s) => s.after.every((a) => !left.some((l) => l.key === a)))
    out.push(...left.splice(Math.max(0, k), 1))
  }
  return out
}

/** Longest way through some steps, minutes. */
function pathOf(steps: readonly DayStep[]): number {
  const end = new Map<string, number>()
  for (const s of steps)
    end.set(s.id, s.minutes + Math.max(0, ...s.after.map((a) => end.get(a) ?? 0)))
  return Math.max(0, ...end.values())
}
