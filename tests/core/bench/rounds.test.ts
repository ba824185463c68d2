import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { jobSteps, type BenchStep } from '../../../core/bench/jobSteps'
import {
  likelyTerms,
  openRound,
  roundOfStep,
  roundWords,
  withOpenRound,
  withRound,
} from '../../../core/bench/rounds'
import { HANDOVER_CHECKS } from '../../../core/followup/handoverChecks'
import { handoverGate } from '../../../core/followup/handoverGate'
import { parseRecord } from '../../../core/record/parse'
import { joinRecord, splitRecord } from '../../../core/record/parts'
import type { FittingRecord, Job, Round } from '../../../core/record/schema'
import { HOUSE_TABLES } from '../../../core/record/tables'
import { DEMO_RECORDS } from '../../../demo/records'
import { runs } from '../../effort'

const { processes } = HOUSE_TABLES
const tove = () => {
  const record = structuredClone(DEMO_RECORDS['tove-marchetti']!)
  delete record.footwear
  record.jobs = []
  return record
}
const keysOf = (record: FittingRecord) => jobSteps(record, { processes }).map((s) => s.key)
const done = ({ step, foot }: BenchStep): Job => ({
  step,
  ...(foot && { foot }),
  done: true,
  state: 'done',
})
const finish = (record: FittingRecord): FittingRecord => ({
  ...record,
  jobs: jobSteps(record, { processes }).map(done),
})
const good = Object.fromEntries(HANDOVER_CHECKS.map(({ id }) => [id, 'good' as const]))
const told = {
  kind: 'adjustment',
  feet: ['right'],
  reason: 'the arch presses',
  terms: 'paid',
} as const
const opened = (record: FittingRecord, more: object = {}): FittingRecord => ({
  ...record,
  rounds: withRound(
    record.rounds ?? [],
    record.handover,
    { ...told, feet: [...told.feet], ...more },
    '2026-12-10',
  )!,
})

describe('a round after handover', () => {
  it('is none before anything was handed over, and none beside one that is open', () => {
    expect(withRound([], {}, { ...told, feet: ['left'] }, '2026-12-10')).toBeNull()
    const one = opened({ ...tove(), handover: { on: '2026-12-01' } })
    expect(
      withRound(one.rounds!, one.handover, { ...told, feet: ['left'] }, '2026-12-11'),
    ).toBeNull()
  })
  it('of an adjustment opens its own steps for its own foot, the first ones stay as they were', () => {
    const first = { ...finish(tove()), handover: { on: '2026-12-01' } }
    const before = jobSteps(first, { processes })
    const steps = jobSteps(opened(first), { processes })
    for (const step of before) expect(steps.find((s) => s.key === step.key)).toEqual(step)
    const own = steps.filter((s) => roundOfStep(s.step) === 2)
    expect(own.map((s) => [s.step, s.foot, s.state])).toEqual([
      ['r2:adjust:mark', undefined, 'open'],
      ['r2:adjust:change', 'right', 'open'],
      ['r2:adjust:try', undefined, 'open'],
    ])
    expect(own[1]!.after).toEqual([own[0]!.key])
  })
  it('of a device made again is the whole way of making, for the feet that are named', () => {
    const first = { ...finish(tove()), handover: { on: '2026-12-01' } }
    const whole = jobSteps(tove(), { processes })
    const both = jobSteps(opened(first, { kind: 'remake', feet: ['left', 'right'] }), { processes })
    expect(both.filter((s) => roundOfStep(s.step) === 2).map((s) => s.words)).toEqual(
      whole.map((s) => s.words),
    )
    const right = jobSteps(opened(first, { kind: 'remake' }), { processes })
    expect(right.some((s) => roundOfStep(s.step) === 2 && s.foot === 'left')).toBe(false)
  })
  it('is said with what, whom, on whose account and why', () => {
    const [round] = opened(
      { ...tove(), handover: { on: '2026-12-01' } },
      { terms: 'guarantee' },
    ).rounds!
    expect(roundWords(round!)).toBe('Round 2: adjustment, right, under guarantee: the arch presses')
  })
  it('is under guarantee while it lasts and its visits are not used up', () => {
    const lasts = { guaranteeUntil: '2027-12-01' }
    const used = (n: number) => Array.from({ length: n }, () => ({ terms: 'guarantee' }) as Round)
    expect(likelyTerms([], lasts, 3, '2027-12-01')).toBe('guarantee')
    expect(likelyTerms([], lasts, 3, '2027-12-02')).toBe('paid')
    expect(likelyTerms(used(2), lasts, 3, '2027-01-01')).toBe('guarantee')
    expect(likelyTerms(used(3), lasts, 3, '2027-01-01')).toBe('paid')
    expect(likelyTerms([], undefined, 3, '2027-01-01')).toBe('paid')
  })
  it('stays in a file, and two open ones in it are refused in words', () => {
    const record = opened({ ...tove(), handover: { on: '2026-12-01' } })
    expect(joinRecord(splitRecord(record), record.client).rounds).toEqual(record.rounds)
    const [round] = record.rounds!
    const twice = { ...record, rounds: [round!, { ...round!, no: 3 }] }
    expect(() => parseRecord(twice)).toThrow(/handed over before the next one begins/)
    expect(() =>
      parseRecord({ ...record, rounds: [{ ...round!, handedOverOn: '2026-12-11' }, round!] }),
    ).toThrow(/numbered in their order/)
  })
})

describe('the gate', () => {
  const stops = (record: FittingRecord) =>
    handoverGate(record, jobSteps(record, { processes })).stops
  it('stays shut while a step is open, whatever is said', () => {
    const record = {
      ...tove(),
      handover: { checks: good, evenFeel: 'even' as const, allTheSame: 'in a hurry' },
    }
    expect(handoverGate(record, jobSteps(record, { processes }))).toMatchObject({ isOpen: false })
    expect(stops(record)[0]).toMatch(/steps at the bench are open/)
    expect(stops(finish(record))).toEqual([])
    const skipped = jobSteps(record, { processes }).map((s) => ({
      ...done(s),
      state: 'skipped' as const,
    }))
    expect(stops({ ...record, jobs: skipped })).toEqual([])
  })
  it('asks for checks and feel, or why it leaves without them', () => {
    const gate = (handover: FittingRecord['handover']) => {
      const record = finish({ ...tove(), handover })
      return handoverGate(record, jobSteps(record, { processes }))
    }
    expect(gate({ checks: good, evenFeel: 'even' })).toEqual({ stops: [], asks: [], isOpen: true })
    expect(gate({}).asks).toEqual(['7 checks are not made', 'Nobody asked how the two feel'])
    expect(gate({ checks: good, evenFeel: 'left higher' })).toMatchObject({
      asks: ['It feels left higher'],
      isOpen: false,
    })
    expect(
      gate({ checks: good, evenFeel: 'left higher', allTheSame: 'leg length, meant so' }).isOpen,
    ).toBe(true)
    expect(
      gate({ checks: { ...good, flat: 'stop' }, evenFeel: 'even', allTheSame: 'x' }).isOpen,
    ).toBe(false)
  })
  it('asks of a round for its own checks, not for those of the first', () => {
    const record = opened({
      ...finish(tove()),
      handover: { on: '2026-12-01', checks: good, evenFeel: 'even' },
    })
    const gate = handoverGate(finish(record), jobSteps(finish(record), { processes }))
    expect(gate.asks).toEqual(['7 checks are not made', 'Nobody asked how the two feel'])
  })
})

describe('any life of rounds', () => {
  const move = fc.oneof(
    fc.record({
      do: fc.constant('open' as const),
      kind: fc.constantFrom('adjustment', 'new version', 'remake', 'shell work'),
      feet: fc.constantFrom(['left'], ['right'], ['left', 'right']),
    }),
    fc.record({ do: fc.constantFrom('work' as const, 'leave' as const) }),
  )
  it('keeps every earlier step as it was, has one open round at most, and is a record that is read', () =>
    fc.assert(
      fc.property(fc.array(move, { maxLength: 12 }), (moves) => {
        let record: FittingRecord = { ...finish(tove()), handover: { on: '2026-12-01' } }
        const kept = new Map(jobSteps(record, { processes }).map((s) => [s.key, s.state]))
        for (const m of moves) {
          const open = openRound(record.rounds)
          if (m.do === 'open') {
            const next = withRound(
              record.rounds ?? [],
              record.handover,
              { kind: m.kind as Round['kind'], feet: m.feet as never, reason: 'r', terms: 'paid' },
              '2026-12-10',
            )
            expect(next === null).toBe(open !== undefined)
            if (next) record = { ...record, rounds: next }
          } else if (m.do === 'work') record = finish(record)
          else if (open && keysOf(record).length === finish(record).jobs!.length) {
            record = {
              ...finish(record),
              rounds: withOpenRound(record.rounds!, { handedOverOn: '2026-12-12' }),
            }
            for (const s of jobSteps(record, { processes })) kept.set(s.key, s.state)
          }
          for (const [key, state] of kept)
            expect(jobSteps(record, { processes }).find((s) => s.key === key)?.state).toBe(state)
          expect((record.rounds ?? []).filter((r) => !r.handedOverOn).length).toBeLessThan(2)
          expect(new Set(keysOf(record)).size).toBe(keysOf(record).length)
        }
        expect(parseRecord(structuredClone(record)).rounds).toEqual(record.rounds)
      }),
      { numRuns: runs(150) },
    ))
})
