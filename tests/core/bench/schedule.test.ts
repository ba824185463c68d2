import { readFileSync } from 'node:fs'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { lowerBound } from '../../../core/bench/schedule/bound'
import { parseDay, minuteOf, type Day } from '../../../core/bench/schedule/day'
import { chance } from '../../../core/bench/schedule/improve'
import { costLess, costOf, problemOf } from '../../../core/bench/schedule/problem'
import { bestTiming } from '../../../core/bench/schedule/timing'
import { planMoves, schedule, type Schedule } from '../../../core/bench/schedule/schedule'
import { tinyDay, workshopDay } from '../../fixtures/benchDays'
import { runs } from '../../effort'

const minutes = (time: string) => Number(time.split(':')[0]) * 60 + Number(time.split(':')[1])

/**
 * Everything a plan must keep, looked at independently of how it was made; returns what is broken.
 */
function broken(day: Day, plan: Schedule): string[] {
  const out: string[] = []
  const at = new Map(plan.steps.map((s) => [`${s.job}/${s.step}`, s]))
  for (const job of day.jobs)
    for (const step of job.steps) {
      const placed = at.get(`${job.id}/${step.id}`)
      if (!placed) {
        if (!plan.clashes.some((c) => c.job === job.id)) out.push(`${job.id}/${step.id} is missing`)
        continue
      }
      const [from, to] = [minutes(placed.start), minutes(placed.end)]
      if (to - from !== step.minutes) out.push(`${job.id}/${step.id} takes ${to - from}`)
      if (
        step.client &&
        job.visit &&
        (from < minuteOf(job.visit.from) || to > minuteOf(job.visit.to))
      )
        out.push(`${job.id}/${step.id} outside the visit`)
      for (const a of step.after)
        if (at.has(`${job.id}/${a}`) && minutes(at.get(`${job.id}/${a}`)!.end) > from)
          out.push(`${job.id}/${step.id} before ${a}`)
      for (const n of step.needs) {
        const r = day.resources.find((x) => x.id === n)!
        if (from < minuteOf(r.from) || to > minuteOf(r.to))
          out.push(`${job.id}/${step.id} outside the hours of ${n}`)
      }
    }
  for (const r of day.resources) {
    const held = plan.steps.filter((s) => s.needs.includes(r.id))
    for (const s of held)
      if (
        held.filter(
          (o) => minutes(o.start) <= minutes(s.start) && minutes(s.start) < minutes(o.end),
        ).length > r.count &&
        minutes(s.end) > minutes(s.start)
      )
        out.push(`${r.id} twice at ${s.start}`)
  }
  return out
}

/** The least cost of all possibilities, minute by minute; null when there is none. */
function enumerate(day: Day): [late: number, waiting: number, makespan: number] | null {
  const tasks = day.jobs.flatMap((job, j) => job.steps.map((step) => ({ job, j, step })))
  const index = new Map(tasks.map((t, i) => [`${t.j}/${t.step.id}`, i]))
  const order = tasks
    .map((_, i) => i)
    .sort(
      (a, b) =>
        tasks[a]!.j - tasks[b]!.j || (tasks[b]!.step.after.includes(tasks[a]!.step.id) ? -1 : 1),
    )
  const opening = Math.min(...day.resources.map((r) => minuteOf(r.from)))
  const closing = Math.max(...day.resources.map((r) => minuteOf(r.to)))
  const use = new Map(day.resources.map((r) => [r.id, new Int8Array(closing + 1)]))
  const caps = new Map(day.resources.map((r) => [r.id, r]))
  const start: number[] = []
  let best: [number, number, number] | null = null
  const cost = (): [number, number, number] => {
    let [late, waiting, last] = [0, 0, opening]
    for (const [j, job] of day.jobs.entries()) {
      const own = tasks
        .map((t, i) => ({ ...t, from: start[i]!, to: start[i]! + t.step.minutes }))
        .filter((t) => t.j === j)
      const end = Math.max(...own.map((t) => t.to))
      last = Math.max(last, end)
      if (job.due) late += Math.max(0, end - minuteOf(job.due))
      const clients = own.filter((t) => t.step.client)
      if (clients.length)
        waiting +=
          Math.max(...clients.map((t) => t.to)) -
          Math.min(...clients.map((t) => t.from)) -
          clients.reduce((sum, t) => sum + t.step.minutes, 0)
    }
    return [late, waiting, last - opening]
  }
  const less = (a: number[], b: number[]) =>
    a[0] !== b[0] ? a[0]! < b[0]! : a[1] !== b[1] ? a[1]! < b[1]! : a[2]! < b[2]!
  const place = (k: number): void => {
    if (k === order.length) {
      const c = cost()
      if (!best || less(c, best)) best = c
      return
    }
    const { job, j, step } = tasks[order[k]!]!
    let [low, high] = [opening, closing - step.minutes]
    for (const n of step.needs)
      [low, high] = [
        Math.max(low, minuteOf(caps.get(n)!.from)),
        Math.min(high, minuteOf(caps.get(n)!.to) - step.minutes),
      ]
    if (step.client && job.visit)
      [low, high] = [
        Math.max(low, minuteOf(job.visit.from)),
        Math.min(high, minuteOf(job.visit.to) - step.minutes),
      ]
    for (const a of step.after)
      low = Math.max(
        low,
        start[index.get(`${j}/${a}`)!]! + tasks[index.get(`${j}/${a}`)!]!.step.minutes,
      )
    for (let s = low; s <= high; s++) {
      const free = step.needs.every((n) =>
        use
          .get(n)!
          .subarray(s, s + step.minutes)
          .every((u) => u < caps.get(n)!.count),
      )
      if (!free) continue
      for (const n of step.needs) for (let m = s; m < s + step.minutes; m++) use.get(n)![m]!++
      start[order[k]!] = s
      place(k + 1)
      for (const n of step.needs) for (let m = s; m < s + step.minutes; m++) use.get(n)![m]!--
    }
  }
  place(0)
  return best
}

describe('a small day', () => {
  it('is planned to the optimum that trying everything finds, again and again, and the bound never lies above it', () => {
    const random = chance(20_261_125)
    let none = 0
    for (let i = 0; i < runs(200, 40); i++) {
      const day = tinyDay(random)
      const best = enumerate(day)
      const plan = schedule(day)
      expect(broken(day, plan)).toEqual([])
      if (!best) {
        none++
        expect(plan.clashes.length).toBeGreaterThan(0)
        continue
      }
      expect([plan.lateMin, plan.clientWaitingMin, plan.makespanMin], JSON.stringify(day)).toEqual(
        best,
      )
      expect(plan.lowerBoundMin).toBeLessThanOrEqual(best[2])
      expect(plan.optimal).toBe(true)
    }
    expect(none).toBeLessThan(0.3 * runs(200, 40))
  }, 120_000)

  it('lets the client wait least even where that means to begin later', () => {
    // The oven is taken until 09:20; beginning at 09:00 would keep the client for 26 minutes, at
    // 09:16 for 10.
    const day = parseDay({
      resources: [
        { id: 'fitter', from: '09:00', to: '12:00' },
        { id: 'oven', from: '09:00', to: '12:00' },
      ],
      jobs: [
        { id: 'first', due: '09:20', steps: [{ id: 'bake', minutes: 20, needs: ['oven'] }] },
        {
          id: 'client',
          visit: { from: '09:00', to: '10:00' },
          steps: [
            { id: 'impression', minutes: 4, needs: ['fitter'], client: true },
            { id: 'oven', minutes: 6, needs: ['oven'], after: ['impression'] },
            { id: 'place', minutes: 2, needs: ['fitter'], client: true, after: ['oven'] },
          ],
        },
      ],
    })
    const plan = schedule(day)
    expect(plan).toMatchObject({
      clientWaitingMin: 6,
      lateMin: 0,
      makespanMin: 28,
      optimal: true,
      clashes: [],
    })
    expect(plan.steps.find((s) => s.step === 'impression')!.start).toBe('09:16')
  })
})

describe('a whole day', () => {
  it.each([1, 2, 3])(
    'of forty jobs (seed %i) breaks no rule and stays within 5 percent of the bound',
    (seed) => {
      const day = workshopDay(seed)
      expect(day.jobs.flatMap((j) => j.steps).length).toBeGreaterThanOrEqual(250)
      const plan = schedule(day)
      expect(broken(day, plan)).toEqual([])
      expect(plan.clashes).toEqual([])
      expect(plan.lateMin).toBe(0)
      expect(plan.makespanMin).toBeLessThanOrEqual(plan.lowerBoundMin * 1.05)
      // The same day again is the same plan.
      expect(schedule(day)).toEqual(plan)
    },
    60_000,
  )

  it('is planned again around what is running and done, from now on, and says what moves', () => {
    const day = workshopDay(2)
    const before = schedule(day)
    const now = '11:00'
    const done = before.steps
      .filter((s) => minutes(s.end) <= minutes(now))
      .map(({ job, step }) => ({ job, step }))
    // Whatever runs at eleven began a little late.
    const running = before.steps
      .filter((s) => minutes(s.start) <= minutes(now) && minutes(s.end) > minutes(now))
      .map((s) => ({ job: s.job, step: s.step, since: s.start }))
    const again = parseDay({
      ...day,
      now,
      done,
      running,
      jobs: day.jobs.map((j, i) =>
        i === 5 ? { ...j, steps: j.steps.map((s) => ({ ...s, minutes: s.minutes + 2 })) } : j,
      ),
    })
    const plan = schedule(again, { keep: before.steps, work: 2_000_000 })
    expect(plan.clashes).toEqual([])
    for (const r of running)
      expect(plan.steps.find((s) => s.job === r.job && s.step === r.step)!.start).toBe(r.since)
    for (const s of plan.steps)
      if (!running.some((r) => r.job === s.job && r.step === s.step))
        expect(minutes(s.start)).toBeGreaterThanOrEqual(minutes(now))
    const moves = planMoves(before.steps, plan.steps)
    expect(moves.every((m) => m.from !== m.to)).toBe(true)
    expect(
      moves
        .filter((m) => m.byMin !== null)
        .every((m) => minutes(m.to!) - minutes(m.from!) === m.byMin),
    ).toBe(true)
  }, 30_000)

  it('says which step has no room and places the others', () => {
    const day = parseDay({
      resources: [{ id: 'oven', from: '09:00', to: '09:30' }],
      jobs: [
        { id: 'long', steps: [{ id: 'bake', minutes: 40, needs: ['oven'] }] },
        { id: 'short', steps: [{ id: 'bake', minutes: 10, needs: ['oven'] }] },
      ],
    })
    const plan = schedule(day)
    expect(plan.steps.map((s) => s.job)).toEqual(['short'])
    expect(plan.clashes).toEqual([
      {
        job: 'long',
        step: 'bake',
        words: 'bake takes 40 min; the hours of oven leave no room for it',
      },
    ])
    expect(plan.idleMin).toEqual({ oven: 0 })
  })
})

/**
 * Days of any kind: crowded, with tight visits, steps side by side, one or several of a resource.
 */
const anyDay = fc
  .record({
    counts: fc.tuple(
      fc.integer({ min: 1, max: 2 }),
      fc.integer({ min: 1, max: 2 }),
      fc.integer({ min: 1, max: 3 }),
    ),
    jobs: fc.array(
      fc.record({
        due: fc.option(fc.integer({ min: 20, max: 240 }), { nil: undefined }),
        visit: fc.option(
          fc.tuple(fc.integer({ min: 0, max: 150 }), fc.integer({ min: 10, max: 90 })),
          { nil: undefined },
        ),
        steps: fc.array(
          fc.record({
            minutes: fc.integer({ min: 0, max: 25 }),
            needs: fc.subarray(['fitter', 'oven', 'chair']),
            client: fc.boolean(),
            chained: fc.boolean(),
            fresh: fc.boolean(),
          }),
          { minLength: 1, maxLength: 4 },
        ),
      }),
      { minLength: 1, maxLength: 9 },
    ),
  })
  .map(({ counts, jobs }) => {
    const at = (m: number) =>
      `${String(9 + Math.floor(m / 60)).padStart(2, '0')}:${String(m % 60).padStart(2, '0')}`
    return parseDay({
      resources: ['fitter', 'oven', 'chair'].map((id, i) => ({
        id,
        count: counts[i]!,
        from: '09:00',
        to: '13:00',
      })),
      jobs: jobs.map((j, n) => ({
        id: `j${n}`,
        ...(j.due !== undefined && { due: at(j.due) }),
        ...(j.visit && { visit: { from: at(j.visit[0]), to: at(j.visit[0] + j.visit[1]) } }),
        steps: j.steps.map((s, k) => ({
          id: `s${k}`,
          minutes: s.minutes,
          needs: s.needs,
          client: s.client,
          fresh: s.fresh,
          after: k > 0 && s.chained ? [`s${k - 1}`] : [],
        })),
      })),
    })
  })

describe('any day', () => {
  it('has what does not keep as late as what waits for it allows, and nothing else moved for it', () => {
    fc.assert(
      fc.property(anyDay, (day) => {
        const without = schedule(
          {
            ...day,
            jobs: day.jobs.map((j) => ({ ...j, steps: j.steps.map(({ fresh: _, ...s }) => s) })),
          },
          { work: 200_000 },
        )
        const plan = schedule(day, { work: 200_000 })
        const kept = new Set(
          day.jobs.flatMap((j) =>
            j.steps.filter((s) => s.fresh && !s.client).map((s) => `${j.id}/${s.id}`),
          ),
        )
        for (const s of plan.steps) {
          const before = without.steps.find((o) => o.job === s.job && o.step === s.step)!
          if (kept.has(`${s.job}/${s.step}`)) expect(s.start >= before.start).toBe(true)
          else expect(s.start).toBe(before.start)
        }
        expect([plan.lateMin, plan.clientWaitingMin, plan.makespanMin]).toEqual([
          without.lateMin,
          without.clientWaitingMin,
          without.makespanMin,
        ])
      }),
      { numRuns: runs(40) },
    )
  })
  it("of the bench's kept files is one of the days of these tests", () => {
    for (const seed of [1, 2, 3])
      expect(
        parseDay(
          JSON.parse(
            readFileSync(new URL(`../../bench/days/day-${seed}.json`, import.meta.url), 'utf8'),
          ),
        ),
      ).toEqual(workshopDay(seed))
  })
  it('is planned without a double booking, a client step outside the visit or a step before what it waits for', () => {
    fc.assert(
      fc.property(anyDay, (day) => {
        const plan = schedule(day, { work: 300_000 })
        expect(broken(day, plan)).toEqual([])
        // What the plan says of itself is what its steps say.
        const problem = problemOf(day)
        const at = new Map(plan.steps.map((s) => [`${s.job}/${s.step}`, minutes(s.start)]))
        const cost = costOf(
          problem,
          problem.tasks.map((t) => at.get(`${problem.jobs[t.job]!.id}/${t.step}`) ?? Number.NaN),
        )
        expect([plan.lateMin, plan.clientWaitingMin, plan.makespanMin]).toEqual([
          cost.late,
          cost.waiting,
          cost.makespan,
        ])
        expect(plan.lowerBoundMin).toBeLessThanOrEqual(plan.makespanMin)
      }),
      { numRuns: runs(60) },
    )
  }, 120_000)
  it('cannot cost less than the best timing without resources, nor be shorter than the bound', () => {
    fc.assert(
      fc.property(anyDay, (day) => {
        const problem = problemOf(day)
        const free = bestTiming(problem, [])
        const plan = schedule(day, { work: 300_000 })
        if (plan.clashes.length > 0) return
        expect(free).not.toBeNull()
        expect(
          costLess(
            { late: plan.lateMin, waiting: plan.clientWaitingMin, makespan: plan.makespanMin },
            free!.cost,
          ),
        ).toBe(false)
        expect(lowerBound(problem)).toBeLessThanOrEqual(plan.makespanMin)
        // The timing itself keeps every window and every order of steps.
        for (const t of problem.tasks) {
          expect(free!.starts[t.index]!).toBeGreaterThanOrEqual(t.lo)
          expect(free!.starts[t.index]!).toBeLessThanOrEqual(t.hi)
          for (const p of t.preds)
            expect(free!.starts[p]! + problem.tasks[p]!.minutes).toBeLessThanOrEqual(
              free!.starts[t.index]!,
            )
        }
      }),
      { numRuns: runs(60) },
    )
  }, 120_000)
})

describe('what runs already', () => {
  const day = (more: object) =>
    parseDay({
      resources: [{ id: 'oven', from: '09:00', to: '12:00' }],
      jobs: [
        {
          id: 'a',
          steps: [
            { id: 'mix', minutes: 5, needs: ['oven'] },
            { id: 'bake', minutes: 20, needs: ['oven'], after: ['mix'] },
            { id: 'rest', minutes: 10, after: ['bake'] },
          ],
        },
      ],
      running: [{ job: 'a', step: 'bake', since: '09:30' }],
      ...more,
    })
  it('stands where it began; with a clock what it waited for is over', () => {
    const plan = schedule(day({ now: '09:40' }))
    expect(plan.steps.map((s) => [s.step, s.start])).toEqual([
      ['bake', '09:30'],
      ['rest', '09:50'],
    ])
    expect(plan.clashes).toEqual([])
  })
  it('without a clock has what it waits for placed before it', () => {
    const plan = schedule(day({}))
    expect(plan.steps.map((s) => s.step)).toEqual(['mix', 'bake', 'rest'])
    expect(minutes(plan.steps[0]!.end)).toBeLessThanOrEqual(minutes('09:30'))
  })
})

describe('a day that does not hang together', () => {
  const base = {
    resources: [{ id: 'oven', from: '09:00', to: '17:00' }],
    jobs: [{ id: 'a', steps: [{ id: 'x', minutes: 5, needs: ['oven'], after: [] as string[] }] }],
  }
  it.each([
    [
      'resources.0.from',
      { ...base, resources: [{ id: 'oven', from: '18:00', to: '17:00' }] },
      'opens after it closes',
    ],
    [
      'jobs.0.steps.0.needs',
      { ...base, jobs: [{ id: 'a', steps: [{ id: 'x', minutes: 5, needs: ['kiln'] }] }] },
      'no resource "kiln"',
    ],
    [
      'jobs.0.steps',
      {
        ...base,
        jobs: [
          {
            id: 'a',
            steps: [
              { id: 'x', minutes: 5, after: ['y'] },
              { id: 'y', minutes: 5, after: ['x'] },
            ],
          },
        ],
      },
      'waits for itself',
    ],
    ['jobs.1.id', { ...base, jobs: [base.jobs[0]!, base.jobs[0]!] }, 'used twice'],
    ['running.0', { ...base, running: [{ job: 'a', step: 'z', since: '09:10' }] }, 'no step "z"'],
  ])('is refused at %s', (path, day, words) =>
    expect(() => parseDay(day)).toThrow(new RegExp(`${path.replace(/\./g, '\\.')}.*${words}`)),
  )
})
