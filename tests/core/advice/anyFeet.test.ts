import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { advise, judge, ledgerOf } from '../../../core/advice/advise'
import { applyChange } from '../../../core/advice/applyChange'
import { basisOf } from '../../../core/advice/decided'
import { entryKey, type Entry } from '../../../core/advice/entry'
import { examineSide } from '../../../core/examine/examineSide'
import { parseRecord } from '../../../core/record/parse'
import type { Device, FittingRecord } from '../../../core/record/schema'
import { SIDES, type Side } from '../../../core/tables/vocabulary'
import { anyFeet } from '../../fixtures/anyFeet'
import { runs } from '../../effort'

/** A hundred thousand records in the long run, a sample of them in every other. */
const RECORDS = { numRuns: runs(100_000, 1500) }
const ofAny = (check: (record: FittingRecord, raw: Raw) => void) =>
  fc.assert(
    fc.property(anyFeet, (raw) => check(parseRecord(structuredClone(raw)), raw as unknown as Raw)),
    RECORDS,
  )

/** What was typed, read here without the program's own eyes. */
interface Raw {
  feet: Record<
    Side,
    {
      findings: Record<string, unknown> & { rcspDeg?: number[] }
      readings: { what: string; trials: number[] }[]
    }
  >
}
const meanOf = (tries: number[] | undefined) =>
  tries?.length ? tries.reduce((a, b) => a + b, 0) / tries.length : null
const firstOf = (raw: Raw, side: Side, what: string) =>
  raw.feet[side].readings.find((r) => r.what === what)?.trials[0]

/** Which side of the heel a suggestion raises, as a bench hand sees it. */
const RAISES: Record<string, 'inner' | 'outer'> = {
  medialSkive: 'inner',
  threePlaneShave: 'inner',
  medialWrap: 'inner',
  medialFlange: 'inner',
  medialFlare: 'inner',
  lateralSkive: 'outer',
  lateralFlare: 'outer',
  lateralFlange: 'outer',
}
function raises({ change }: Entry): 'inner' | 'outer' | null {
  if (!change) return null
  if ('layer' in change) return RAISES[change.layer] ?? null
  if ('post' in change && change.post.at === 'rearfoot')
    return change.post.angleDeg > 0 ? 'inner' : 'outer'
  return null
}

describe('of any two feet', () => {
  it('no sentence calls an everted heel inverted, or the other way round', () =>
    ofAny((record, raw) => {
      const told = [
        ...judge(record).map((e) => [e.foot, e.words] as const),
        ...SIDES.map((side) => [side, examineSide(record, side)!.words] as const),
      ]
      for (const [foot, words] of told) {
        if (foot === 'both') continue
        const deg = meanOf(raw.feet[foot].findings.rcspDeg)
        if (/heel (stands|stays)[^.;]*?\d° inverted|heel stands inverted/i.test(words))
          expect(deg, words).toBeGreaterThan(0)
        if (/heel (stands|stays)[^.;]*?\d° everted|heel stands everted/i.test(words))
          expect(deg, words).toBeLessThan(0)
      }
    }))
  it('both sides of one heel are never raised', () =>
    ofAny((record) => {
      for (const side of SIDES) {
        const sides = judge(record)
          .filter((e) => e.kind === 'suggest' && (e.foot === side || e.foot === 'both'))
          .map(raises)
          .filter((s) => s !== null)
        expect(new Set(sides).size, JSON.stringify(sides)).toBeLessThan(2)
      }
    }))
  it('the amount that is told is the amount that is made', () =>
    ofAny((record) => {
      for (const { change, words, code } of judge(record)) {
        if (!change) continue
        const numbers = [...words.matchAll(/\d+(?:\.\d+)?/g)].map(Number)
        const amounts =
          'post' in change
            ? [change.post.angleDeg]
            : 'heelLiftMm' in change
              ? [change.heelLiftMm]
              : 'layer' in change
                ? Object.entries(change.amounts).flatMap(([key, value]) =>
                    typeof value === 'number' && !/^[xy]Mm$/.test(key) ? [value] : [],
                  )
                : []
        for (const amount of amounts)
          expect(numbers, `${code}: ${words}`).toContain(Math.abs(amount))
      }
    }))
  it('a lift gives back the angle that it gives on this foot', () =>
    ofAny((record, raw) => {
      for (const { change, words, foot } of judge(record)) {
        const told = /gives back ([\d.]+)°|takes ([\d.]+)° off/.exec(words)
        if (!told || !change || !('heelLiftMm' in change) || foot === 'both') continue
        const arch = firstOf(raw, foot, 'archLengthMm')!
        const length = firstOf(raw, foot, 'footLengthMm')!
        const deg = (Math.atan(change.heelLiftMm / (arch - 0.14 * length)) * 180) / Math.PI
        expect(Number(told[1] ?? told[2]), words).toBeCloseTo(deg, 1)
      }
    }))
  it('an examined foot is never called not examined', () =>
    ofAny((record, raw) => {
      for (const side of SIDES) {
        const holds = (value: unknown): boolean =>
          Array.isArray(value)
            ? value.some((v) => v !== null)
            : typeof value === 'object' && value !== null
              ? Object.values(value).some(holds)
              : value !== undefined && value !== null
        const { words } = examineSide(record, side)!
        expect(/not examined/i.test(words)).toBe(!holds(raw.feet[side].findings))
      }
    }))
  it('setting one thing aside hides nothing else, and nothing twice', () =>
    ofAny((record) => {
      const all = advise(record)
      const keys = all.map(entryKey)
      expect(new Set(keys).size, keys.join()).toBe(keys.length)
      const aside = all[all.length >> 1]
      if (!aside) return
      const ledger = [
        {
          code: aside.code,
          foot: aside.foot,
          ...(aside.about && { about: aside.about }),
          decision: 'set-aside' as const,
          reason: 'seen',
          words: aside.words,
          basis: basisOf(aside),
        },
      ]
      expect(ledgerOf({ ...record, ledger }).open.map(entryKey)).toEqual(
        keys.filter((key) => key !== entryKey(aside)),
      )
    }))
})

describe('doing what is suggested for any two feet', () => {
  const lift = (record: FittingRecord, side: Side) => record.feet[side]!.device?.heelLiftMm ?? 0
  const layersOf = (device: Device | undefined) => device?.layers ?? []
  const mm = (layer: object) =>
    Object.entries(layer).flatMap(([key, value]) =>
      /^(depth|height|width|thickness|amount)Mm$/.test(key) ? [Math.abs(value as number)] : [],
    )[0] ?? 0

  it('one after the other lowers nothing that another reason asked for, and each is done when it is done', () =>
    fc.assert(
      fc.property(anyFeet, (raw) => {
        let record = parseRecord(structuredClone(raw))
        const builds = advise(record).filter(
          (e) =>
            e.change && ('layer' in e.change || 'heelLiftMm' in e.change || 'shell' in e.change),
        )
        for (const entry of builds) {
          const next = structuredClone(record)
          for (const command of applyChange(record, entry)) {
            if (command.kind !== 'part.put') throw new Error(command.kind)
            const side = command.part.split('.')[1] as Side
            next.feet[side]!.device = command.content as Device
          }
          for (const side of SIDES) {
            expect(lift(next, side), entry.code).toBeGreaterThanOrEqual(lift(record, side))
            for (const [i, before] of layersOf(record.feet[side]!.device).entries()) {
              const after = layersOf(next.feet[side]!.device)[i]!
              expect(after.kind, entry.code).toBe(before.kind)
              expect(mm(after), entry.code).toBeGreaterThanOrEqual(mm(before))
            }
          }
          record = next
          expect(
            judge(record).find((e) => entryKey(e) === entryKey(entry))?.met ?? true,
            `${entry.code}: ${entry.words}`,
          ).toBe(true)
        }
      }),
      { numRuns: runs(20_000, 400) },
    ))
})
