import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { checksMade, checkWords } from '../../../core/footwear/checksMade'
import type { LearnedBias } from '../../../core/footwear/learnedBias'
import { fitFoot } from '../../../core/footwear/fitFoot'
import { matchRecord, matchSettings, standingFeet } from '../../../core/footwear/matchRecord'
import {
  shellCheckSchema,
  type FittingRecord,
  type ShellCheck,
  type TryOn,
} from '../../../core/record/schema'
import { SIDES } from '../../../core/tables/vocabulary'
import { DEMO_RECORDS } from '../../../demo/records'
import { shell } from '../../fixtures/handShell'
import { runs } from '../../effort'

/** The hand shell is 278 mm inside at 265, and grows 10 mm a size. */
const insideMm = (sizeMm: number) => 278 + (sizeMm - 265)
const SHELL = shell({ sizesMm: [265] })

/** Two bare feet of one length each, without a device: what stands in the shell is what was measured. */
function feet(leftMm: number, rightMm: number): FittingRecord {
  const record = structuredClone(DEMO_RECORDS['tove-marchetti']!)
  delete record.footwear
  for (const [side, mm] of [
    ['left', leftMm],
    ['right', rightMm],
  ] as const) {
    delete record.feet[side]!.device
    record.feet[side]!.readings = [
      {
        what: 'footLengthMm',
        posture: 'standing',
        instrument: 'caliper',
        trials: [mm],
        struck: [],
      } as never,
    ]
  }
  return record
}
const check = (foot: 'left' | 'right', footMm: number, gapMm: number, more: object = {}) =>
  shellCheckSchema.parse({
    model: 'hand',
    sizeMm: 265,
    foot,
    gapMm,
    predictedMm: insideMm(265) - footMm,
    insideMm: insideMm(265),
    footMm,
    at: '2026-11-25T10:00:00Z',
    ...more,
  })
const withChecks = (record: FittingRecord, shellChecks: ShellCheck[]): FittingRecord => ({
  ...record,
  footwear: { candidates: [], ...record.footwear, shellChecks },
})
/** Length behind the heel that the match tells for each foot in a model’s first size, mm. */
function lengths(record: FittingRecord, model = SHELL, learned: Record<string, LearnedBias> = {}) {
  const settings = { ...matchSettings(record), learned }
  const standing = standingFeet(record)
  return Object.fromEntries(
    SIDES.map((side) => {
      const fit = fitFoot(standing[side]!, side, model, model.sizesMm[0]!, settings)
      return [side, fit.clearances.length]
    }),
  )
}

describe('a shell check of this very foot', () => {
  it('is what the match tells of it: the gap that was seen, of that foot alone', () =>
    fc.assert(
      fc.property(
        fc.integer({ min: 262, max: 266 }),
        fc.integer({ min: 9, max: 18 }),
        fc.constantFrom('left' as const, 'right' as const),
        (footMm, gapMm, foot) => {
          const record = feet(footMm, footMm)
          const told = lengths(withChecks(record, [check(foot, footMm, gapMm)]))
          const other = foot === 'left' ? 'right' : 'left'
          expect(told[foot]).toBeCloseTo(gapMm, 9)
          expect(told[other]).toBeCloseTo(insideMm(265) - footMm, 9)
        },
      ),
      { numRuns: runs(300) },
    ))

  it('stays the gap when the foot or the shell was wrong and is measured again', () => {
    // 5 mm seen where 12 were predicted: somebody finds that the foot was read 7 mm too short …
    const seen = [check('left', 266, 5)]
    const again = feet(273, 266)
    expect(lengths(withChecks(again, seen), shell({ sizesMm: [265] })).left).toBeCloseTo(5, 9)
    // … or that the shell is 7 mm shorter than the catalogue had it.
    const shorter = shell({ sizesMm: [265], at: { ...shell().at, lengthMm: 271 } })
    expect(lengths(withChecks(feet(266, 260), seen), shorter).left).toBeCloseTo(5, 9)
  })

  it('moves every size of the model by as much', () => {
    const next = shell({ sizesMm: [275] })
    const told = lengths(withChecks(feet(270, 270), [check('left', 270, 5)]), next)
    // 8 predicted at 265, 5 seen: three less than the 18 of a size more.
    expect(told.left).toBeCloseTo(15, 9)
    expect(told.right).toBeCloseTo(18, 9)
  })

  it('goes before what was learned of other feet, which the other foot still gets', () => {
    const bias: LearnedBias = {
      usedMm: 2,
      seenMm: 3,
      lowMm: 2,
      highMm: 4,
      count: 10,
      used: true,
    }
    const told = lengths(withChecks(feet(266, 266), [check('left', 266, 11)]), SHELL, {
      hand: bias,
    })
    expect(told.left).toBeCloseTo(11, 9)
    expect(told.right).toBeCloseTo(14, 9)
  })

  it('and toes that press are one length: of both the lesser counts, once', () => {
    const press = (foot: 'left' | 'right') => ({
      id: 't',
      startedAt: '2026-11-25T10:00:00Z',
      onDevice: true,
      worn: { [foot]: { model: 'hand', sizeMm: 265 } },
      readings: [{ minute: 15, foot, toesFlexed: 'press' as const, hotSpots: [] }],
    })
    const told = (gapMm: number) => {
      const record = withChecks(feet(264, 264), [check('left', 264, gapMm)])
      record.footwear!.tryOns = [press('left') as TryOn]
      return lengths(record).left
    }
    // 14 predicted. Seen 12 (−2) and pressing (−5): 9. Seen 6 (−8): 6, not 1.
    expect(told(12)).toBeCloseTo(9, 9)
    expect(told(6)).toBeCloseTo(6, 9)
  })

  it('moves nothing where it was with bent knees, says not what it was compared with, or was struck', () => {
    const plain = lengths(feet(264, 264))
    const bent = check('left', 264, 4, { kneeBent: true })
    const old = check('left', 264, 4, { footMm: undefined })
    for (const none of [[bent], [old], []])
      expect(lengths(withChecks(feet(264, 264), none))).toEqual(plain)
  })

  it('the last one counts, wherever it stands', () => {
    const record = withChecks(feet(264, 264), [
      check('left', 264, 12, { at: '2026-11-26T10:00:00Z' }),
    ])
    record.footwear!.chosen = {
      model: 'hand',
      shellChecks: [check('left', 264, 16)],
      tryOn: [],
      work: [],
    }
    expect(lengths(record).left).toBeCloseTo(12, 9)
    expect(checksMade(record.footwear).map((c) => c.gapMm)).toEqual([16, 12])
  })

  it('is said among the reasons, with what was predicted', () => {
    const { pair } = matchRecord(withChecks(feet(264, 264), [check('left', 264, 12)]), [SHELL])
    expect(pair[0]!.reasons).toContain(
      'left shell check: gap 12 mm where 14.0 mm were predicted; what is seen counts',
    )
    expect(checkWords(check('left', 264, 12))).toBe(
      'gap 12 mm, 14.0 predicted (bare, knee straight)',
    )
  })
})
