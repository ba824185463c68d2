import { BY_HOUSE, CHILD, GROWN } from '../../fixtures/houseContext'
import { HOUSE_TABLES } from '../../../core/record/tables'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { benchRecords } from '../../../demo/benchRecords'
import { demoModels } from '../../../demo/catalogue'
import { benchDay, ownJob, TALK, visitJob, type BenchDayInput } from '../../../core/bench/benchDay'
import { learnDurations, learnedMinutes } from '../../../core/bench/durations'
import { jobSteps, nextStep, type BenchStep } from '../../../core/bench/jobSteps'
import { lanesOf } from '../../../core/bench/lanes'
import { planConflicts } from '../../../core/bench/planCheck'
import { movesOf, planFigures, shownPlan } from '../../../core/bench/shownPlan'
import { PEOPLE } from '../../../core/tables/benchResources'
import { orderTrouble, processSchema } from '../../../core/tables/processes'
import { clockOf, minuteOf } from '../../../core/bench/schedule/day'
import { schedule } from '../../../core/bench/schedule/schedule'
import { stepCommand, stepLine } from '../../../core/bench/stepCommand'
import { changeStep, type StepChange, type Wearer } from '../../../core/record/stepState'
import { ticketOf } from '../../../core/formats/papers/ticket'
import { wearerOf } from '../../../core/bench/wearer'
import { applyCommand } from '../../../core/record/commands'
import type { FittingRecord, Job } from '../../../core/record/schema'
import { refusalCode } from '../../fixtures/refusalCode'
import { runs } from '../../effort'

const TODAY = '2026-11-25'
const DEMO = benchRecords(TODAY)
const models = demoModels()
const of = (name: string) => DEMO[name]!.record
const stepsOf = (record: FittingRecord) =>
  jobSteps(record, { processes: HOUSE_TABLES.processes, models })
const naming = {
  resource: (id: string) => id,
  step: (job: string, step: string) => `${job} ${step}`,
}
const clock = (moment: string) => (moment.startsWith(TODAY) ? moment.slice(11, 16) : null)

describe("a fitting's job", () => {
  it('is the steps of its devices, in the order in which they can be done', () => {
    const steps = stepsOf(of('wendeline-achterberg'))
    expect(steps.map((s) => s.key)).toEqual([
      'heat-moulded:impression@left',
      'heat-moulded:impression@right',
      'heat-moulded:oven',
      'heat-moulded:place@left',
      'heat-moulded:place@right',
      'heat-moulded:cool',
      'heat-moulded:heel@left',
      'heat-moulded:heel@right',
      'heat-moulded:trim@left',
      'heat-moulded:trim@right',
      'heat-moulded:grind@left',
      'heat-moulded:grind@right',
      'heat-moulded:try',
    ])
    const after = (key: string) => steps.find((s) => s.key === key)!.after
    expect(after('heat-moulded:oven')).toEqual([])
    expect(after('heat-moulded:place@left')).toEqual([
      'heat-moulded:impression@left',
      'heat-moulded:oven',
    ])
    expect(after('heat-moulded:cool')).toEqual([
      'heat-moulded:place@left',
      'heat-moulded:place@right',
    ])
    expect(after('heat-moulded:trim@right')).toEqual(['heat-moulded:heel@right'])
    expect(nextStep(steps)!.key).toBe('heat-moulded:impression@left')
  })
  it('holds the decided work on the shell, each piece in the way of its kind, without what a stop forbids', () => {
    const steps = stepsOf(of('paavo-moreau'))
    expect([...new Set(steps.map((s) => s.process))]).toEqual(['shell-stretch'])
    expect(steps.map((s) => s.key).slice(0, 2)).toEqual([
      'work:right-ball-stretch:mark',
      'work:right-ball-stretch:heat',
    ])
    expect(steps[0]!.words).toMatch(/^Mark the spot: right, Ball: stretch 2 mm, press to 2\.4 mm/)
    const tooMuch = structuredClone(of('paavo-moreau'))
    tooMuch.footwear!.chosen!.work[0]!.amountMm = 12
    expect(stepsOf(tooMuch)).toHaveLength(5)
  })
  it('is made in another way when that is chosen, and takes what is added by hand', () => {
    expect(new Set(stepsOf(of('ngozi-tarrant')).map((s) => s.process))).toEqual(
      new Set(['vacuum-shell']),
    )
    const more = structuredClone(of('cormac-eddowes'))
    more.making = { ...more.making, extra: ['liner-mould', 'no-such'] }
    expect([...new Set(stepsOf(more).map((s) => s.process))]).toEqual([
      'trim-to-fit',
      'liner-mould',
    ])
  })
  it("follows the shop's own way as it is now, whose steps must come in an order that can be done", () => {
    const mine = HOUSE_TABLES.processes.map((p) =>
      p.id === 'trim-to-fit'
        ? { ...p, steps: p.steps.map((s) => (s.id === 'trim' ? { ...s, minutes: 9 } : s)) }
        : p,
    )
    expect(
      jobSteps(of('cormac-eddowes'), { processes: mine }).find(
        (s) => s.key === 'trim-to-fit:trim@left',
      ),
    ).toMatchObject({ minutes: 9, houseMin: 9 })
    const steps = (list: { id: string; after?: string[] }[]) =>
      processSchema.safeParse({
        id: 'own-1',
        name: 'Own',
        steps: list.map((s) => ({ words: s.id, minutes: 5, ...s })),
      })
    expect(
      steps([{ id: 'a' }, { id: 'b', after: [] }, { id: 'c', after: ['a', 'b'] }]).success,
    ).toBe(true)
    expect(steps([{ id: 'a', after: ['b'] }, { id: 'b' }]).error!.issues[0]!.message).toBe(
      '“a” waits for itself',
    )
    expect(steps([{ id: 'a' }, { id: 'b', after: ['x'] }]).error!.issues[0]!.message).toMatch(
      /“x”, which is not there/,
    )
    expect(steps([{ id: 'a' }, { id: 'a' }]).error!.issues[0]!.message).toMatch(/same id/)
    for (const p of HOUSE_TABLES.processes) expect(orderTrouble(p.steps)).toBeNull()
  })
  it('goes onto the ticket with materials, promise and one line for both feet', () => {
    const ticket = ticketOf(of('ngozi-tarrant'), models, HOUSE_TABLES.processes)
    expect(ticket.steps.find((s) => s.step === 'vacuum-shell:grind')).toMatchObject({
      feet: ['left', 'right'],
      minutes: 20,
    })
    expect(ticket.materials.join('; ')).toMatch(
      /left: Polypropylene 3 mm, cover EVA .*polypropylene sheets/,
    )
    expect(ticket.promised).toBe('2026-11-26')
    expect(JSON.stringify(ticket)).not.toContain('Ngozi')
  })
})

describe('a step', () => {
  const record = of('wendeline-achterberg')
  const at = (time: string) => ({ by: 'Bram', at: `${TODAY}T${time}:00.000Z` })
  /** Plays changes as browser and server do. */
  function play(
    changes: [string, Partial<StepChange> & { step: string; do: StepChange['do'] }][],
    wearer: Wearer = GROWN,
  ): { jobs: Job[]; steps: BenchStep[] } {
    let jobs: Job[] = []
    for (const [time, change] of changes) {
      const { command } = stepCommand(
        jobSteps({ ...record, jobs }, { processes: HOUSE_TABLES.processes }),
        {
          ...change,
          step: `heat-moulded:${change.step}`,
        },
      )
      jobs = applyCommand(jobs, command, { ...BY_HOUSE, stamp: at(time), wearer }) as Job[]
    }
    return { jobs, steps: jobSteps({ ...record, jobs }, { processes: HOUSE_TABLES.processes }) }
  }
  it('is begun, runs longer, is broken off and ended; the log says what it took', () => {
    const { jobs } = play([
      ['10:00', { step: 'oven', do: 'start' }],
      ['10:07', { step: 'oven', do: 'longer', minutes: 2 }],
      ['10:08', { step: 'oven', do: 'split', minutes: 3 }],
      ['10:20', { step: 'oven', do: 'start' }],
      ['10:23', { step: 'oven', do: 'finish' }],
    ])
    expect(jobs[0]).toMatchObject({ done: true, state: 'done', actualMin: 11, by: 'Bram' })
    const open = play([
      ['10:00', { step: 'oven', do: 'start' }],
      ['10:04', { step: 'oven', do: 'split' }],
    ]).steps.find((s) => s.key === 'heat-moulded:oven')!
    expect([open.state, open.minutes]).toEqual(['open', 2])
    expect(
      stepLine(open, { kind: 'jobs.step', step: open.step, do: 'finish', following: [] }, jobs),
    ).toEqual({ step: 'heat-moulded:oven', did: 'finish', plannedMin: 3, actualMin: 11 })
  })
  it('done again opens what followed from it, and nothing else', () => {
    const feet = (
      step: string,
    ): [string, { step: string; foot: 'left' | 'right'; do: 'finish' }][] => [
      ['11:00', { step, foot: 'left', do: 'finish' }],
      ['11:00', { step, foot: 'right', do: 'finish' }],
    ]
    const { steps } = play([
      ...feet('heel'),
      ...feet('trim'),
      ...feet('grind'),
      ['11:30', { step: 'trim', foot: 'left', do: 'redo', reason: 'too short at the heel' }],
    ])
    expect(
      Object.fromEntries(
        steps.filter((s) => /heel|trim|grind/.test(s.key)).map((s) => [s.key.slice(13), s.state]),
      ),
    ).toEqual({
      'heel@left': 'done',
      'heel@right': 'done',
      'trim@left': 'open',
      'trim@right': 'done',
      'grind@left': 'open',
      'grind@right': 'done',
    })
    expect(steps.find((s) => s.key.endsWith('grind@left'))!.redone).toBe(1)
  })
  it('is refused with a sentence where it makes no sense', () => {
    const start =
      (step: string, extra: Partial<StepChange> = {}) =>
      () =>
        play([['10:00', { step, do: 'start', ...extra }]])
    expect(refusalCode(start('cool'))).toBe('too-early')
    expect(refusalCode(start('cool', { reason: 'the blank is cold already' }))).toBe('fine')
    expect(refusalCode(start('fly'))).toBe('no-such-step')
    expect(refusalCode(() => play([['10:00', { step: 'oven', do: 'skip' }]]))).toBe('no-reason')
    for (const what of ['split', 'longer', 'redo', 'undo'] as const)
      expect(refusalCode(() => play([['10:00', { step: 'oven', do: what, reason: 'x' }]]))).toBe(
        'bad-step',
      )
    expect(
      refusalCode(() =>
        play([
          ['10:00', { step: 'oven', do: 'start' }],
          ['10:01', { step: 'oven', do: 'start' }],
        ]),
      ),
    ).toBe('bad-step')
  })
  it("with a foot on a warm surface is locked until it is measured, and by the skin's limit", () => {
    const place =
      (extra: Partial<StepChange>, wearer: Wearer = GROWN) =>
      () =>
        play(
          [
            ['10:00', { step: 'impression', foot: 'left', do: 'finish' }],
            ['10:00', { step: 'oven', do: 'finish' }],
            ['10:01', { step: 'place', foot: 'left', do: 'start', ...extra }],
          ],
          wearer,
        )
    // 6 minutes: 51 − 3·log10(6) = 48.67 °C; the margin is 3 K for adults, 5 for children.
    expect(refusalCode(place({}))).toBe('no-temperature')
    expect(refusalCode(place({ celsius: 49 }))).toBe('too-hot')
    expect(refusalCode(place({ celsius: 49, reason: 'he said it is fine' }))).toBe('too-hot')
    expect(refusalCode(place({ celsius: 46 }))).toBe('no-reason')
    expect(refusalCode(place({ celsius: 46, reason: 'thick sock' }))).toBe('fine')
    expect(refusalCode(place({ celsius: 45 }))).toBe('fine')
    expect(refusalCode(place({ celsius: 45 }, CHILD))).toBe('no-reason')
    expect(
      refusalCode(place({ celsius: 30, reason: 'only warm' }, { ...GROWN, noHeat: true })),
    ).toBe('too-hot')
    // Nor is it passed by ticking it off, or by telling another time on the skin.
    expect(
      refusalCode(() => play([['10:01', { step: 'place', foot: 'left', do: 'finish' }]])),
    ).toBe('no-temperature')
    const lie = stepCommand(stepsOf(record), {
      kind: 'jobs.step',
      step: 'heat-moulded:place',
      foot: 'left',
      do: 'finish',
      celsius: 50,
      skinMin: 0.5,
      following: [],
    })
    expect(lie.command.skinMin).toBe(6)
    expect(
      wearerOf({ ...record, story: { ...record.story!, conditions: ['neuropathy'] } }, HOUSE_TABLES)
        .noHeat,
    ).toBe(true)
  })
})

describe('the bench day', () => {
  const jobs = Object.entries(DEMO)
    .filter(
      ([, { record }]) => record.making!.promisedOn! <= TODAY || record.making!.benchOn === TODAY,
    )
    .map(([id, { record }]) => ({
      id,
      steps: stepsOf(record),
      promisedOn: record.making!.promisedOn!,
      promisedAt: record.making!.promisedAt,
    }))
  const visits = Object.entries(DEMO).flatMap(([id, { visit }]) =>
    visit
      ? [
          {
            id: `v-${id}`,
            job: id,
            from: clockOf(visit.hour * 60 + visit.minute),
            minutes: visit.minutes,
            state: 'to-come' as const,
          },
        ]
      : [],
  )
  const input: BenchDayInput = {
    day: TODAY,
    now: '08:30',
    resources: HOUSE_TABLES.benchResources,
    people: 2,
    jobs,
    visits: [
      ...visits,
      { id: 'talk', job: 'nobody', from: '14:15', minutes: 45, state: 'to-come' },
    ],
    own: [{ id: 'lunch', name: 'Lunch', minutes: 30, needs: [PEOPLE], at: '12:45' }],
    pinned: [],
  }
  it('of two people and nine jobs keeps every rule, leaves nobody waiting longer than the moulding asks for, and no blank in the air', () => {
    const built = benchDay(input, clock)
    expect(built.day.jobs).toHaveLength(8)
    const plan = schedule(built.day)
    expect(plan.clashes).toEqual([])
    expect(planConflicts(built.day, plan.steps, naming)).toEqual([])
    expect(plan.lateMin).toBe(0)
    // Heel and edge of two blanks are 20 minutes at the only grinder, for each of the two clients.
    expect(plan.clientWaitingMin).toBe(40)
    expect(plan.waitingBoundMin).toBeLessThanOrEqual(40)
    expect(planFigures(built.day, plan.steps)).toMatchObject({
      waitingMin: plan.clientWaitingMin,
      lateMin: 0,
    })
    const at = (job: string, step: string) =>
      plan.steps.find((s) => s.job === job && s.step === step)!
    for (const id of ['wendeline-achterberg', 'idris-fallowfield'])
      expect(
        minuteOf(at(id, 'heat-moulded:place@left').start) -
          minuteOf(at(id, 'heat-moulded:oven').end),
      ).toBeLessThanOrEqual(1)
    for (const foot of ['left', 'right'])
      expect(at('ngozi-tarrant', `vacuum-shell:form@${foot}`).start).toBe(
        at('ngozi-tarrant', `vacuum-shell:heat@${foot}`).end,
      )
    expect(at(ownJob('lunch'), 'work').start).toBe('12:45')
    expect(at(visitJob('talk'), TALK)).toMatchObject({ start: '14:15', end: '15:00' })
    // Hands: nobody does two things at once, on whatever row they are drawn.
    const rows = lanesOf(plan.steps, PEOPLE, 2)
    for (const a of rows)
      for (const b of rows)
        if (a !== b && a.row === b.row)
          expect(minuteOf(a.end) <= minuteOf(b.start) || minuteOf(b.end) <= minuteOf(a.start)).toBe(
            true,
          )
  })
  it('leaves for later what needs a client who does not come, and what follows a night', () => {
    const { later, day } = benchDay(
      {
        ...input,
        jobs: [
          { id: 'cormac', steps: stepsOf(of('cormac-eddowes')) },
          { id: 'benedikt', steps: stepsOf(of('benedikt-osei')) },
        ],
        visits: [],
      },
      clock,
    )
    expect(later.filter((l) => l.why === 'no visit').map((l) => l.step)).toEqual([
      'trim-to-fit:try',
    ])
    expect(later.filter((l) => l.job === 'benedikt').every((l) => l.why === 'follows')).toBe(true)
    // The print is begun today, in no time of anybody's.
    expect(day.jobs.find((j) => j.id === 'benedikt')!.steps).toMatchObject([
      { id: 'full-custom:print', minutes: 0 },
    ])
  })
  it('is planned again from how things stand: late, redone, left out; what moves is told before it moves', () => {
    const first = schedule(benchDay(input, clock).day)
    const start = (minute: number) => `${TODAY}T${clockOf(minute)}:00.000Z`
    // The first grind began at its time and runs ten minutes late.
    const soraya = first.steps.find((s) => s.job === 'soraya-benedek')!
    const began = minuteOf(soraya.start)
    const entry = changeStep(
      of('soraya-benedek').jobs ?? [],
      {
        step: 'full-custom:finish',
        foot: soraya.step.endsWith('left') ? 'left' : 'right',
        do: 'start',
        minutes: 15,
      },
      { by: 'Rhona', at: start(began) },
      { wearer: GROWN },
    )
    const late = {
      ...input,
      now: clockOf(began + 25),
      jobs: jobs.map((j) =>
        j.id === 'soraya-benedek'
          ? { ...j, steps: stepsOf({ ...of('soraya-benedek'), jobs: entry }) }
          : j,
      ),
    }
    const built = benchDay(late, clock)
    const shown = shownPlan(
      built,
      first.steps,
      new Map(late.jobs.map((j) => [j.id, j.steps])),
      clock,
    )
    expect(shown.find((s) => s.job === 'soraya-benedek' && s.state === 'running')).toMatchObject({
      start: soraya.start,
      end: clockOf(began + 26),
    })
    expect(planConflicts(built.day, shown, naming).length).toBeGreaterThan(0)
    const next = schedule(built.day, { keep: first.steps })
    expect(planConflicts(built.day, next.steps, naming)).toEqual([])
    const moves = movesOf(shown, next.steps)
    expect(moves.length).toBeGreaterThan(0)
    expect(moves.some((m) => m.job === 'soraya-benedek' && m.step === soraya.step)).toBe(false)
    for (const m of moves)
      expect(next.steps.find((s) => s.job === m.job && s.step === m.step)?.start ?? null).toBe(m.to)
  })
  it('says what is wrong with a plan changed by hand, whichever step is put where', () => {
    const { day } = benchDay(input, clock)
    const plan = schedule(day)
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: plan.steps.length - 1 }),
        fc.integer({ min: 8 * 60, max: 18 * 60 }),
        (i, minute) => {
          const s = plan.steps[i]!
          const moved = plan.steps.map((p) =>
            p === s
              ? {
                  ...p,
                  start: clockOf(minute),
                  end: clockOf(minute + minuteOf(p.end) - minuteOf(p.start)),
                }
              : p,
          )
          const found = planConflicts(day, moved, naming).filter((c) => c.kind !== 'late')
          // Looked at another way: a hand-set step can stay exactly where a plan around it alone
          // keeps every rule.
          const pinned = schedule(
            {
              ...day,
              jobs: day.jobs,
              pinned: moved
                .filter((p) => p.job !== 'own lunch')
                .map((p) => ({ job: p.job, step: p.step, at: p.start })),
            },
            { work: 200_000 },
          )
          const kept = planConflicts(day, pinned.steps, naming).filter((c) => c.kind !== 'late')
          if (found.length === 0) expect(kept).toEqual([])
          else
            expect(found.every((c) => c.words.includes(s.start) || c.words.length > 10)).toBe(true)
        },
      ),
      { numRuns: runs(30) },
    )
    const mould = plan.steps.find((s) => s.step === 'heat-moulded:place@left')!
    const put = (start: string) =>
      planConflicts(
        day,
        plan.steps.map((p) =>
          p === mould ? { ...p, start, end: clockOf(minuteOf(start) + 1) } : p,
        ),
        naming,
      ).map((c) => c.kind)
    expect(put('09:00')).toEqual(expect.arrayContaining(['before', 'outside visit']))
    expect(put('08:00')).toEqual(expect.arrayContaining(['past', 'outside hours']))
  })
})

describe("the shop's own minutes", () => {
  it('are the median drawn towards the house value, without ticks that were forgotten', () => {
    const took = (minutes: number[]) =>
      minutes.map((actualMin) => ({ step: 'trim-to-fit:trim', actualMin }))
    const of = (minutes: number[]) =>
      learnDurations(took(minutes), HOUSE_TABLES.processes).find(
        (t) => t.step === 'trim-to-fit:trim',
      )!
    expect(of([])).toMatchObject({ count: 0, minutes: 4, medianMin: null })
    expect(of([8])).toMatchObject({ count: 1, minutes: 5, medianMin: 8 })
    expect(of([7, 8, 9, 8, 8, 7, 9, 8, 8, 8, 400, 0.1])).toMatchObject({
      count: 10,
      minutes: 7,
      medianMin: 8,
      leftOut: 2,
    })
    const learned = learnedMinutes(
      learnDurations(took(Array.from({ length: 30 }, () => 8)), HOUSE_TABLES.processes),
    )
    expect(
      jobSteps(DEMO['cormac-eddowes']!.record, { processes: HOUSE_TABLES.processes, learned }).find(
        (s) => s.key === 'trim-to-fit:trim@left',
      ),
    ).toMatchObject({ minutes: 7, houseMin: 4, learnedFrom: 30 })
  })
  it('stay between the house value and what was seen', () => {
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: 0.5, max: 15, noNaN: true }), { minLength: 1, maxLength: 40 }),
        (minutes) => {
          const t = learnDurations(
            minutes.map((actualMin) => ({ step: 'trim-to-fit:trim', actualMin })),
            HOUSE_TABLES.processes,
          ).find((x) => x.step === 'trim-to-fit:trim')!
          expect(t.minutes).toBeGreaterThanOrEqual(Math.floor(Math.min(4, t.medianMin!)))
          expect(t.minutes).toBeLessThanOrEqual(Math.ceil(Math.max(4, t.medianMin!)))
        },
      ),
    )
  })
})
