import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { jobSteps, followingOf } from '../../../core/bench/jobSteps'
import {
  benchWords,
  footwearAfterSteps,
  jobsAfterWork,
  workMoved,
} from '../../../core/bench/workTruth'
import { applyCommand } from '../../../core/record/commands'
import { parseRecord } from '../../../core/record/parse'
import { Refusal } from '../../../core/record/refusal'
import type { FittingRecord, Footwear, Job, ShellWork } from '../../../core/record/schema'
import { workOpenedAgain } from '../../../core/record/workState'
import { HOUSE_NORMS, HOUSE_TABLES } from '../../../core/record/tables'
import { runs } from '../../effort'
import { shell } from '../../fixtures/handShell'

const AT = '2026-11-30T10:00:00.000Z'
const STAMP = { by: 'Bram', at: AT }
const piece = (id: string, more: Partial<ShellWork> = {}): object => ({
  id,
  foot: 'left',
  model: 'hand',
  sizeMm: 265,
  station: 'ball',
  does: 'stretch',
  at: { fromHeelMm: 190, heightMm: 20, side: 'both' },
  amountMm: 2,
  because: 'Ball snug',
  ...more,
})
const ALL = [
  piece('left-ball-stretch'),
  piece('left-fifthMet-grind', { does: 'grind', station: 'fifthMet', amountMm: 1 }),
  piece('left-heel-pad', { does: 'pad', station: 'heel', amountMm: 2 }),
]
const opened = (work: object[] = ALL): FittingRecord =>
  parseRecord({
    format: 'gentle-arch/fitting',
    version: 2,
    feet: { left: {} },
    footwear: { chosen: { model: 'hand', sizeLeftMm: 265, work } },
  })
const MAKING = { processes: HOUSE_TABLES.processes, models: [shell()] }
const CONTEXT = {
  stamp: STAMP,
  norms: HOUSE_NORMS,
  wearer: { child: false, noHeat: false, marginK: 3 },
}

/** A fitting whose two parts change as they do at the server: one, and what follows of it in the other. */
class Fitting {
  record: FittingRecord
  constructor(work?: object[]) {
    this.record = opened(work)
  }
  steps = () => jobSteps(this.record, MAKING)
  work = (id: string) => this.record.footwear!.chosen!.work.find((w) => w.id === id)
  bench(key: string, what: Partial<Job> & { do: string }) {
    const before = this.record.jobs ?? []
    const after = applyCommand(
      before,
      {
        kind: 'jobs.step',
        step: key,
        following: what.do === 'redo' ? followingOf(this.steps(), key) : [],
        reason: 'because',
        ...what,
      } as never,
      CONTEXT,
    ) as Job[]
    this.record = { ...this.record, jobs: after }
    const footwear = footwearAfterSteps(this.record.footwear!, { before, after }, this.steps(), {
      at: AT,
      pressed: { 'left-ball-stretch': 2.4 },
    })
    this.record = { ...this.record, footwear }
  }
  match(change: (work: ShellWork[]) => ShellWork[]) {
    const before = this.record.footwear!
    const chosen = { ...before.chosen!, work: change(before.chosen!.work) }
    const footwear: Footwear = { ...before, chosen }
    this.record = { ...this.record, footwear }
    const jobs = jobsAfterWork(
      this.record.jobs ?? [],
      workMoved(before, footwear),
      this.steps(),
      STAMP,
    )
    this.record = { ...this.record, jobs: [...jobs] }
  }
  set(id: string, state: ShellWork['state']) {
    this.match((work) =>
      work.map((w) =>
        w.id !== id ? w : state === 'planned' ? workOpenedAgain(w) : { ...w, state },
      ),
    )
  }
  finish(id: string) {
    for (const { step } of this.steps().filter((s) => s.step.startsWith(`work:${id}:`)))
      this.bench(step, { do: 'finish' })
  }
}

describe('work on a shell is one thing at the bench and in Match', () => {
  it('its last step done at the bench is done in Match, with what was pressed', () => {
    const f = new Fitting()
    const own = f.steps().filter((s) => s.step.startsWith('work:left-ball-stretch:'))
    for (const { step } of own.slice(0, -1)) f.bench(step, { do: 'finish' })
    expect(f.work('left-ball-stretch')!.state).toBe('planned')
    f.bench(own.at(-1)!.step, { do: 'finish' })
    expect(f.work('left-ball-stretch')).toMatchObject({ state: 'done', doneAt: AT, pressedMm: 2.4 })
    expect(f.work('left-heel-pad')!.state).toBe('planned')
  })
  it('opened again at the bench it is planned in Match, and what was found is forgotten', () => {
    const f = new Fitting()
    f.finish('left-ball-stretch')
    f.match((work) => work.map((w) => ({ ...w, gainedMm: 1.8 })))
    f.bench('work:left-ball-stretch:press', { do: 'redo' })
    const { state, gainedMm, pressedMm, doneAt } = f.work('left-ball-stretch')!
    expect({ state, gainedMm, pressedMm, doneAt }).toEqual({ state: 'planned' })
  })
  it('all of it left out is not done', () => {
    const f = new Fitting()
    for (const { step } of f.steps().filter((s) => s.step.includes('fifthMet-grind')))
      f.bench(step, { do: 'skip' })
    expect(f.work('left-fifthMet-grind')!.state).toBe('planned')
    expect(benchWords('left-fifthMet-grind', f.record.jobs!, f.steps())).toBe(
      'left out at the bench',
    )
  })
  it('one step left out of several is', () => {
    const f = new Fitting()
    f.bench('work:left-fifthMet-grind:mark', { do: 'skip' })
    f.bench('work:left-fifthMet-grind:grind', { do: 'finish' })
    expect(benchWords('left-fifthMet-grind', f.record.jobs!, f.steps())).toBe(
      'at the bench 2 of 3 steps',
    )
    f.bench('work:left-fifthMet-grind:polish', { do: 'finish' })
    expect(f.work('left-fifthMet-grind')!.state).toBe('done')
  })
  it('done in Match, what the bench had begun of it is over; what it had not is not on its list', () => {
    const f = new Fitting()
    f.bench('work:left-ball-stretch:mark', { do: 'start' })
    f.set('left-ball-stretch', 'done')
    f.set('left-heel-pad', 'done')
    const states = f.steps().map((s) => [s.step.split(':')[1], s.state])
    expect(states.filter(([id]) => id === 'left-ball-stretch').map(([, s]) => s)).toEqual(
      Array(5).fill('done'),
    )
    expect(states.some(([id]) => id === 'left-heel-pad')).toBe(false)
  })
  it('opened again in Match it stands at its beginning at the bench', () => {
    const f = new Fitting()
    f.finish('left-fifthMet-grind')
    f.set('left-fifthMet-grind', 'planned')
    const own = f.steps().filter((s) => s.step.includes('fifthMet-grind'))
    expect(own.map((s) => s.state)).toEqual(['open', 'open', 'open'])
    f.finish('left-fifthMet-grind')
    expect(f.work('left-fifthMet-grind')!.state).toBe('done')
  })
  it('a step that the shop adds to its way opens nothing that was done', () => {
    const f = new Fitting()
    f.finish('left-fifthMet-grind')
    const longer = HOUSE_TABLES.processes.map((p) =>
      p.id === 'shell-grind'
        ? { ...p, steps: [...p.steps, { id: 'wipe', words: 'Wipe out', minutes: 1 }] }
        : p,
    )
    const before = f.record.jobs!
    const after = [
      ...before,
      { step: 'work:left-ball-stretch:mark', done: true, state: 'done' as const },
    ]
    const steps = jobSteps({ ...f.record, jobs: after }, { ...MAKING, processes: longer })
    const footwear = f.record.footwear!
    expect(footwearAfterSteps(footwear, { before, after }, steps, { at: AT, pressed: {} })).toBe(
      footwear,
    )
  })
  it('what is found is told only of what is done, and only in millimetres that may be', () => {
    const f = new Fitting()
    const tell = (found: object) =>
      applyCommand(f.record.footwear, { kind: 'work.found', ...found } as never, CONTEXT)
    expect(() => tell({ work: 'left-ball-stretch', gainedMm: 2 })).toThrow(/finish the work first/)
    expect(() => tell({ work: 'nothing', gainedMm: 2 })).toThrow(/no such work/)
    f.finish('left-ball-stretch')
    const told = tell({ work: 'left-ball-stretch', gainedMm: 1.9 }) as Footwear
    expect(told.chosen!.work[0]).toMatchObject({ gainedMm: 1.9, pressedMm: 2.4 })
    f.record = { ...f.record, footwear: told }
    const back = tell({ work: 'left-ball-stretch', gainedMm: null }) as Footwear
    expect(back.chosen!.work[0]).not.toHaveProperty('gainedMm')
  })
})

/** What is pressed somewhere in the shop, in any order. */
const press = fc.oneof(
  fc.record({
    where: fc.constant('bench' as const),
    at: fc.nat(30),
    what: fc.constantFrom('start', 'finish', 'finish', 'finish', 'skip', 'undo', 'redo', 'split'),
  }),
  fc.record({
    where: fc.constant('match' as const),
    at: fc.nat(2),
    what: fc.constantFrom('done', 'planned', 'dropped', 'gone'),
  }),
)

it('through any life of a plan, bench and Match agree, and nothing that is done is lost', () => {
  fc.assert(
    fc.property(fc.array(press, { minLength: 5, maxLength: 40 }), (presses) => {
      const f = new Fitting()
      for (const p of presses) {
        const all = f.steps()
        const doneBefore = f.record.footwear!.chosen!.work.filter((w) => w.state === 'done')
        let touched = ''
        try {
          if (p.where === 'match') {
            touched = (ALL[p.at] as { id: string }).id
            if (p.what === 'gone') f.match((work) => work.filter((w) => w.id !== touched))
            else if (f.work(touched)) f.set(touched, p.what as ShellWork['state'])
          } else if (all.length > 0) {
            const step = all[p.at % all.length]!.step
            touched = step.split(':')[1]!
            f.bench(step, { do: p.what })
          }
        } catch (error) {
          if (!(error instanceof Refusal)) throw error
        }
        for (const w of f.record.footwear!.chosen!.work) {
          const own = f.steps().filter((s) => s.step.split(':')[1] === w.id)
          const open = own.filter((s) => s.state === 'open' || s.state === 'running')
          const done = own.filter((s) => s.state === 'done')
          if (w.state === 'done') expect(open, `${w.id} is done`).toEqual([])
          if (w.state === 'planned') expect(open.length > 0 || done.length === 0, w.id).toBe(true)
          if (w.state === 'dropped') expect(own).toEqual([])
        }
        // Nobody touched it: it stays as it was.
        for (const w of doneBefore) if (w.id !== touched) expect(f.work(w.id)).toEqual(w)
      }
    }),
    { numRuns: runs(800) },
  )
})
