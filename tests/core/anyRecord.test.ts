import { BY_HOUSE } from '../fixtures/houseContext'
import { HOUSE_NORMS, HOUSE_TABLES, normsOf } from '../../core/record/tables'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { judge, ledgerOf } from '../../core/advice/advise'
import { applyChange } from '../../core/advice/applyChange'
import { changeWords } from '../../core/advice/changeWords'
import { isMet } from '../../core/advice/isMet'
import { bySchool } from '../../core/advice/bySchool'
import { cautionsOf } from '../../core/advice/cautions'
import { entryKey } from '../../core/advice/entry'
import { jobSteps } from '../../core/bench/jobSteps'
import { ticketOf } from '../../core/formats/papers/ticket'
import { examineRecord } from '../../core/examine/examineRecord'
import { riskOf } from '../../core/examine/risk'
import { mergeReadings, readReadingsCsv, writeReadingsCsv } from '../../core/formats/readingsCsv'
import { prescription } from '../../core/formats/papers/prescription'
import { clientCard } from '../../core/formats/papers/card'
import { clientPicture } from '../../core/followup/clientPicture'
import { dueOf } from '../../core/followup/due'
import { fittingForm } from '../../core/formats/papers/fittingForm'
import { comfortSeries } from '../../core/followup/outcomes'
import { painSeries } from '../../core/followup/painSeries'
import { quoteLines } from '../../core/followup/quote'
import { wearInPlan } from '../../core/followup/wearInPlan'
import { measureRecord } from '../../core/measure/measureRecord'
import { allowanceFor } from '../../core/measure/sizes'
import { applyCommand, partOf } from '../../core/record/commands'
import { isDay, isoDay } from '../../core/record/isoDay'
import { parseRecord } from '../../core/record/parse'
import { joinRecord, splitRecord } from '../../core/record/parts'
import {
  clientSchema,
  deviceSchema,
  findingsSchema,
  followupSchema,
  handoverSchema,
  recordSchema,
  storySchema,
  type FittingRecord,
} from '../../core/record/schema'
import { POSTURES, SIDES } from '../../core/tables/vocabulary'
import { READING_KINDS } from '../../core/kinds/readings/all'
import { arbitraryOf } from '../fixtures/arbitraryOf'
import { runs } from '../effort'

/** Readings within what the table takes, few or many, of any foot. */
const reading = fc.constantFrom(...READING_KINDS).chain((what) => {
  const [low, high] = HOUSE_NORMS.hardBoundsMm[what]
  return fc
    .record({
      what: fc.constant(what),
      posture: fc.constantFrom(...POSTURES),
      instrument: fc.constantFrom(undefined, undefined, 'caliper', 'scan'),
      heightMm: fc.constantFrom(undefined, 380),
      by: fc.constantFrom(undefined, 'Rhona, the "quick"'),
      struck: fc.constantFrom([], [0]),
      trials: fc.array(
        fc
          .double({ min: low, max: high, noNaN: true })
          .map((v) => Math.min(high, Math.max(low, Math.round(v * 10) / 10))),
        { maxLength: 5 },
      ),
    })
    .map((r) => ({ ...r, struck: r.struck.filter((i) => i < r.trials.length) }))
})
const foot = fc.record({
  readings: fc.uniqueArray(reading, {
    maxLength: 20,
    selector: (r) => `${r.what} ${r.posture} ${r.instrument === 'scan'}`,
  }),
  findings: fc.option(arbitraryOf(findingsSchema), { nil: undefined }),
  device: fc.option(arbitraryOf(deviceSchema), { nil: undefined }),
})
const some = (schema: Parameters<typeof arbitraryOf>[0]) =>
  fc.option(arbitraryOf(schema), { nil: undefined })
/** Any record that the format takes. */
const record: fc.Arbitrary<FittingRecord> = fc
  .record({
    format: fc.constant('gentle-arch/fitting'),
    version: fc.constant(1),
    client: some(clientSchema),
    visit: some(recordSchema.shape.visit),
    story: some(storySchema),
    feet: fc.record({ left: foot, right: foot }),
    legLengthDifferenceMm: some(recordSchema.shape.legLengthDifferenceMm),
    handover: some(handoverSchema),
    followups: fc.option(fc.array(arbitraryOf(followupSchema), { maxLength: 3 }), {
      nil: undefined,
    }),
  })
  .map((r) => parseRecord(JSON.parse(JSON.stringify(r))))

/** Every number of a value, to find the ones that are none. */
const numbers = (value: unknown): number[] =>
  typeof value === 'number'
    ? [value]
    : value !== null && typeof value === 'object'
      ? Object.values(value).flatMap(numbers)
      : []
const words = (value: unknown): string[] =>
  typeof value === 'string'
    ? [value]
    : value !== null && typeof value === 'object'
      ? Object.values(value).flatMap(words)
      : []

const NONSENSE = /\b(undefined|NaN|null|Infinity|Invalid Date)\b|\[object/

describe('any record that the format takes', () => {
  it('goes apart into parts and together again without a change', () => {
    fc.assert(
      fc.property(record, (r) => {
        expect(joinRecord(splitRecord(r), r.client, r.shop)).toEqual(r)
      }),
    )
  })
  it('takes its readings along as CSV and back: every trial, struck or not, by hand or off a scan', () => {
    fc.assert(
      fc.property(record, (r) => {
        const { readings, problems } = readReadingsCsv(writeReadingsCsv(r), HOUSE_NORMS)
        expect(problems).toEqual([])
        for (const side of SIDES) {
          const kept = r.feet[side]!.readings.filter((reading) => reading.trials.length > 0)
          expect(readings[side]).toEqual(kept)
          expect(mergeReadings(kept, readings[side])).toEqual(kept)
        }
      }),
      { numRuns: runs(300) },
    )
  })
  it('is measured, examined and judged without an end in nothing: numbers are numbers, words have no holes', () => {
    fc.assert(
      fc.property(record, (r) => {
        const told = {
          measures: measureRecord(r, allowanceFor(r.story?.activity, normsOf(r))),
          exam: examineRecord(r),
          ledger: ledgerOf(r),
          schools: bySchool(r),
          cautions: cautionsOf(r),
          risk: riskOf(r),
          pain: painSeries(r),
          steps: jobSteps(r, { processes: HOUSE_TABLES.processes }),
          ticket: ticketOf(r, [], HOUSE_TABLES.processes),
        }
        expect(numbers(told).filter((v) => !Number.isFinite(v))).toEqual([])
        // What a person typed may say anything; what we say may not.
        const typed = new Set(words(r))
        expect(words(told).filter((w) => !typed.has(w) && NONSENSE.test(w))).toEqual([])
      }),
      { numRuns: runs(400) },
    )
  })
  it('goes onto every paper and into every reminder: card, form, picture for the client, prescription, what is due', () => {
    fc.assert(
      fc.property(record, arbitraryOf(isoDay) as fc.Arbitrary<string>, (r, today) => {
        const told = {
          card: clientCard(r, today),
          form: fittingForm(r, []),
          picture: clientPicture(r),
          prescription: prescription(r, today),
          due: dueOf(r, today),
          plan: wearInPlan(r, today),
          quote: quoteLines(r, [], HOUSE_TABLES),
          comfort: comfortSeries(r),
        }
        expect(numbers(told).filter((v) => !Number.isFinite(v))).toEqual([])
        const typed = new Set(words(r))
        expect(words(told).filter((w) => !typed.has(w) && NONSENSE.test(w))).toEqual([])
        expect(dueOf(r, today).every((d) => isDay(d.on))).toBe(true)
        expect(wearInPlan(r, today).every((d) => isDay(d.on))).toBe(true)
      }),
      { numRuns: runs(200) },
    )
  })
  it('knows the calendar: a day that does not exist is refused with its place', () => {
    const on = (day: string) => () =>
      parseRecord({
        format: 'gentle-arch/fitting',
        version: 1,
        visit: { on: day },
        feet: { left: {} },
      })
    for (const day of ['2026-02-28', '2028-02-29', '2026-12-31']) expect(on(day)).not.toThrow()
    for (const day of ['2026-02-29', '2026-13-01', '2026-00-10', '2026-04-31'])
      expect(on(day)).toThrow('visit.on: there is no such day in the calendar')
    expect(on('26-2-2')).toThrow('visit.on: write the day as YYYY-MM-DD')
  })
  it('files each reason once for a foot, so that deciding one hides no other', () => {
    fc.assert(
      fc.property(record, (r) => {
        const keys = judge(r).map(entryKey)
        expect(keys.filter((k, i) => keys.indexOf(k) !== i)).toEqual([])
      }),
      { numRuns: runs(400) },
    )
  })
  it('takes whatever is accepted in Why: what it makes can be kept, holds it afterwards, and has words', () => {
    fc.assert(
      fc.property(record, (r) => {
        for (const entry of judge(r).filter((e) => e.change !== null && !e.met)) {
          const parts = splitRecord(r) as Record<string, unknown>
          const commands = applyChange(r, entry)
          for (const command of commands)
            parts[partOf(command)] = applyCommand(
              parts[partOf(command)],
              JSON.parse(JSON.stringify(command)),
              BY_HOUSE,
            )
          if (commands.length === 0) continue
          expect(
            isMet(joinRecord(parts, r.client), entry.foot, entry.change!),
            `${entry.code} ${JSON.stringify(entry.change)}`,
          ).toBe(true)
          expect(changeWords(entry.change, HOUSE_NORMS)).toMatch(/\S/)
        }
      }),
      { numRuns: runs(400) },
    )
  })
  it('judges the two feet alike: a client in the mirror gets the same entries on the other side', () => {
    const swap = (side: string) => (side === 'left' ? 'right' : side === 'right' ? 'left' : side)
    const mirrored = (value: unknown): unknown => {
      if (Array.isArray(value)) return value.map(mirrored)
      if (value === null || typeof value !== 'object') return value
      return Object.fromEntries(
        Object.entries(value).map(([k, v]) => [
          swap(k),
          (k === 'foot' || k === 'shorter' || k === 'numbToes' || k === 'hotSpots') &&
          typeof v === 'string'
            ? swap(v)
            : k === 'evenFeel'
              ? (v as string).replace(/^(left|right)/, swap)
              : mirrored(v),
        ]),
      )
    }
    const told = (r: FittingRecord, turn: (s: string) => string) =>
      judge(r)
        .map(
          (e) =>
            `${e.code}/${turn(e.foot)}/${e.about ?? ''} ${e.kind} ${e.met} ${JSON.stringify(e.change)}`,
        )
        .sort()
    fc.assert(
      fc.property(record, (r) => {
        const other = parseRecord(mirrored(JSON.parse(JSON.stringify(r))))
        expect(told(other, swap)).toEqual(told(r, (s) => s))
      }),
      { numRuns: runs(300) },
    )
  })
})
