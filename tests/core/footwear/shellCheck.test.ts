import { HOUSE_NORMS } from '../../../core/record/tables'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { seeded } from '../../../core/capture/standin/random'
import { clearances, standingFoot } from '../../../core/footwear/clearance'
import { matchRecord } from '../../../core/footwear/matchRecord'
import { biasWords, learnAll, learnBias } from '../../../core/footwear/learnedBias'
import { fingersMm, predictedGapMm } from '../../../core/footwear/shellCheck'
import { supportedLengthMm } from '../../../core/measure/supportedLength'
import { shellCheckSchema } from '../../../core/record/schema'
import { demoModels } from '../../../demo/catalogue'
import { DEMO_RECORDS } from '../../../demo/records'

const tove = DEMO_RECORDS['tove-marchetti']!
const model = demoModels()[0]!
/** Checks of one model that are off by a bias and by a spread of reading fingers. */
const simulated = (seed: number, count: number, biasMm: number, spreadMm = 1) => {
  const { normal } = seeded(seed)
  return Array.from({ length: count }, (_, i) =>
    shellCheckSchema.parse({
      model: model.id,
      sizeMm: 265,
      foot: i % 2 ? 'left' : 'right',
      gapMm: 15 + biasMm + spreadMm * normal(),
      predictedMm: 15,
    }),
  )
}

describe('fingers', () => {
  it("are this fitter's own: none, one, two, and straight lines between and beyond", () => {
    expect([0, 0.5, 1, 1.5, 2, 3].map((f) => fingersMm(f, { one: 16, two: 33 }))).toEqual([
      0, 8, 16, 24.5, 33, 50,
    ])
    expect(fingersMm(2, { one: 14, two: 29 })).toBe(29)
  })
  it('rise with their number', () =>
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 3, noNaN: true }),
        fc.double({ min: 0.01, max: 1, noNaN: true }),
        (f, more) =>
          fingersMm(f + more, HOUSE_NORMS.fingersMm) > fingersMm(f, HOUSE_NORMS.fingersMm),
      ),
    ))
})

describe('the predicted gap', () => {
  it('is the bare shell less the foot as it stood: on nothing, or on its device', () => {
    const bare = predictedGapMm(tove, 'right', model, 265, false)!
    const foot = standingFoot({ ...tove.feet.right!, device: undefined }, null, HOUSE_NORMS)!
    expect(bare).toBeCloseTo(clearances(foot, model, 265, 1).worn.length!, 9)
    const sitting = tove.feet.right!.readings.find(
      (r) => r.what === 'footLengthMm' && r.posture === 'sitting',
    )!.trials
    const mean = sitting.reduce((s, v) => s + v, 0) / sitting.length
    expect(predictedGapMm(tove, 'right', model, 265, true)! - bare).toBeCloseTo(
      foot.lengthMm -
        supportedLengthMm(foot.lengthMm, mean, tove.feet.right!.device!.kind, HOUSE_NORMS),
      9,
    )
    expect(
      predictedGapMm({ ...tove, feet: { right: { readings: [] } } }, 'right', model, 265, false),
    ).toBeNull()
  })
})

describe('what shell checks teach', () => {
  it('after 20 with a bias of 3 mm is within 0.7 mm of it, and the interval says so; with none nothing is used', () => {
    let [near, inside, falsely] = [0, 0, 0]
    for (let seed = 1; seed <= 100; seed++) {
      // A gauge reads to a third of a millimetre; the rule n/(n + 5) alone keeps 0.6 mm of a bias
      // of 3 back.
      const b = learnBias(simulated(seed, 20, 3, 0.3))
      if (b.used && Math.abs(b.usedMm - 3) <= 0.7) near++
      if (b.lowMm <= 3 && b.highMm >= 3) inside++
      if (learnBias(simulated(1000 + seed, 20, 0, 1)).used) falsely++
    }
    expect(near).toBeGreaterThanOrEqual(95)
    expect(inside).toBeGreaterThanOrEqual(90)
    expect(falsely).toBeLessThanOrEqual(10)
  })
  it('is the mean shrunk by n/(n + 5), from five checks on', () => {
    const exact = (count: number) =>
      learnBias(
        Array.from({ length: count }, (_, i) => ({
          gapMm: 18 + (i % 2 ? 0.1 : -0.1),
          predictedMm: 15,
        })),
      )
    expect(exact(4)).toMatchObject({ used: false, usedMm: 0, count: 4 })
    expect(exact(20).usedMm).toBeCloseTo(3 * (20 / 25), 9)
    expect(learnBias([])).toMatchObject({ used: false, usedMm: 0, count: 0 })
    expect(learnBias(Array.from({ length: 9 }, () => ({ gapMm: 18 })))).toMatchObject({
      count: 0,
      used: false,
    })
  })
  it('moves the length of its own model in the match, says so with its count, and leaves others alone', () => {
    const learned = learnAll(simulated(3, 20, 3, 0.5), demoModels())
    const [plain, taught] = [
      matchRecord(tove, demoModels()),
      matchRecord(tove, demoModels(), learned),
    ]
    const of = (r: typeof plain, id: string) => r.pair.find((p) => p.model === id)
    const [before, after] = [of(plain, model.id)!, of(taught, model.id)!]
    if (before.right!.sizeMm === after.right!.sizeMm)
      expect(after.right!.clearances.length! - before.right!.clearances.length!).toBeCloseTo(
        learned[model.id]!.usedMm,
        9,
      )
    expect(after.reasons.at(-1)).toMatch(/learned from 20 shell checks/)
    for (const p of plain.pair.filter((x) => x.model !== model.id))
      expect(of(taught, p.model)!.score).toBe(p.score)
  })
  it('says in words how many there are, and when they agree with the data', () => {
    expect(biasWords(learnBias(simulated(1, 3, 2)))).toBe('3 shell checks so far, learns from 5')
    expect(
      biasWords(
        learnBias([
          { gapMm: 14, predictedMm: 15 },
          { gapMm: 16, predictedMm: 15 },
          { gapMm: 15.5, predictedMm: 15 },
          { gapMm: 14.5, predictedMm: 15 },
          { gapMm: 15, predictedMm: 15 },
        ]),
      ),
    ).toMatch(/^5 shell checks agree with the data/)
  })
})
