import { clockOf, minuteOf, type Day } from './schedule/day'
import type { PlacedStep } from './schedule/schedule'

/** Something a plan does that cannot be, with where. */
export interface PlanConflict {
  job: string
  step: string
  kind: 'twice' | 'before' | 'outside visit' | 'outside hours' | 'past' | 'late'
  words: string
  /** the other step, of a double booking or of an order turned round */
  with?: { job: string; step: string }
}

export interface Naming {
  resource: (id: string) => string
  step: (job: string, step: string) => string
}

/**
 * Everything that is wrong with a plan that was changed by hand: double bookings, steps before what
 * they wait for, clients outside their visit, closed hours, starts that are past, promises that
 * will not hold. `late` can be accepted; the others cannot be done.
 */
export function planConflicts(
  day: Day,
  plan: readonly PlacedStep[],
  naming: Naming,
): PlanConflict[] {
  const out: PlanConflict[] = []
  const at = new Map(
    plan.map((p) => [
      `${p.job}\n${p.step}`,
      { ...p, from: minuteOf(p.start), to: minuteOf(p.end) },
    ]),
  )
  const resources = new Map(day.resources.map((r) => [r.id, r]))
  const started = new Set(day.running.map((r) => `${r.job}\n${r.step}`))
  const now = day.now === undefined ? -1 : minuteOf(day.now)
  for (const job of day.jobs) {
    let last = -1
    let lastStep = ''
    for (const step of job.steps) {
      const p = at.get(`${job.id}\n${step.id}`)
      if (!p) continue
      const name = naming.step(job.id, step.id)
      const say = (kind: PlanConflict['kind'], words: string, other?: PlanConflict['with']) =>
        out.push({ job: job.id, step: step.id, kind, words, ...(other && { with: other }) })
      const running = started.has(`${job.id}\n${step.id}`)
      if (!running && p.from < now) say('past', `${name} at ${p.start}: it is ${day.now} already`)
      for (const a of step.after) {
        const before = at.get(`${job.id}\n${a}`)
        if (before && before.to > p.from)
          say(
            'before',
            `${name} at ${p.start} begins before ${naming.step(job.id, a)} is over, at ${before.end}`,
            { job: job.id, step: a },
          )
      }
      if (
        step.client &&
        job.visit &&
        !running &&
        (p.from < minuteOf(job.visit.from) || p.to > minuteOf(job.visit.to))
      )
        say(
          'outside visit',
          `${name} needs the client, who is here ${job.visit.from} to ${job.visit.to}`,
        )
      for (const n of new Set(step.needs)) {
        const r = resources.get(n)
        if (r && !running && (p.from < minuteOf(r.from) || p.to > minuteOf(r.to)))
          say('outside hours', `${name}: ${naming.resource(n)} is open ${r.from} to ${r.to}`)
      }
      if (p.to > last) [last, lastStep] = [p.to, step.id]
    }
    if (job.due !== undefined && last > minuteOf(job.due))
      out.push({
        job: job.id,
        step: lastStep,
        kind: 'late',
        words: `${naming.step(job.id, lastStep)} ends at ${clockOf(last)}; promised for ${job.due}`,
      })
  }
  for (const r of day.resources) {
    const users = [...at.values()]
      .filter((p) => p.to > p.from && p.needs.includes(r.id))
      .sort((a, b) => a.from - b.from || a.to - b.to)
    users.forEach((u, i) => {
      const held = users.filter(
        (v, k) => (k < i || (k > i && v.from < u.from)) && v.from <= u.from && v.to > u.from,
      )
      const need = (p: (typeof users)[number]) => p.needs.filter((n) => n === r.id).length
      if (held.reduce((sum, v) => sum + need(v), need(u)) <= r.count) return
      const other = held.at(-1)!
      out.push({
        job: u.job,
        step: u.step,
        kind: 'twice',
        words: `${naming.resource(r.id)}: ${naming.step(u.job, u.step)} at ${u.start} while ${naming.step(other.job, other.step)} holds it to ${other.end}`,
        with: { job: other.job, step: other.step },
      })
    })
  }
  return out
}
