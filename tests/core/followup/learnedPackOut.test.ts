import { describe, expect, it } from 'vitest'
import { asPacked, learnPackOut, packOutWords } from '../../../core/followup/learnedPackOut'
import { packedOut } from '../../../core/followup/packOut'
import { packOutForecast } from '../../../core/followup/packOutForecast'
import { matchRecord } from '../../../core/footwear/matchRecord'
import { HOUSE_NORMS } from '../../../core/record/tables'
import { recordSchema } from '../../../core/record/schema'
import { demoModels } from '../../../demo/catalogue'
import { DEMO_RECORDS } from '../../../demo/records'
import { shell } from '../../fixtures/handShell'

const liner = (packOut: number) => ({ ...shell().liner, packOut })
const MODELS = [shell({ id: 'soft', liner: liner(0.2) }), shell({ id: 'firm', liner: liner(0.05) })]
/** Liners that lose 40 % in the end, half of it by day 20, as a gauge finds them. */
const measured = (model: string, count: number) =>
  Array.from({ length: count }, (_, i) => {
    const days = 5 + i * 9
    return { model, days, share: 0.4 * (1 - 2 ** (-days / 20)) }
  })

describe('how liners pack out in this shop', () => {
  it('is learned of a model from five measurements on, and of no other', () => {
    expect(learnPackOut(measured('soft', 4), MODELS, HOUSE_NORMS)).toEqual({})
    const learned = learnPackOut(
      [...measured('soft', 12), ...measured('gone', 9)],
      MODELS,
      HOUSE_NORMS,
    )
    expect(Object.keys(learned)).toEqual(['soft'])
    // The truth is 40 %; two observations of what is stated hold a little back.
    expect(learned.soft!.endShare).toBeGreaterThan(0.34)
    expect(learned.soft!.endShare).toBeLessThan(0.41)
    expect(packedOut(learned.soft!, 20)).toBeCloseTo(0.2, 1)
    expect(packOutWords(MODELS[0]!, learned.soft!)).toMatch(
      /^liners pack out 3\d % here, by 12 measured \(20 % stated\)$/,
    )
  })
  it('moves the match of that model as its own share would, and leaves the catalogue as it is', () => {
    const learned = { soft: { endShare: 0.35, scaleDays: 14, count: 9 } }
    expect(asPacked(MODELS[0]!, learned)).toEqual({ ...MODELS[0], liner: liner(0.35) })
    expect(asPacked(MODELS[1]!, learned)).toBe(MODELS[1])
    expect(MODELS[0]!.liner.packOut).toBe(0.2)
    const record = DEMO_RECORDS['tove-marchetti']!
    const widthOf = (m: (typeof MODELS)[number]) => {
      const { pair, rejected } = matchRecord(record, [m])
      return [pair[0]?.right?.clearances.heel, pair[0]?.right?.sizeMm, rejected.length]
    }
    const [plain, size] = widthOf(MODELS[0]!)
    const [packed, same] = widthOf(asPacked(MODELS[0]!, learned))
    // 15 % more of 6 mm of liner at the heel, a side.
    if (size === same && size !== undefined)
      expect(Number(packed) - Number(plain)).toBeCloseTo(0.15 * 6, 9)
  })
})

describe('when it gives', () => {
  const model = demoModels().find((m) => m.id === 'fern-traverse-99')!
  const record = recordSchema.parse({
    ...structuredClone(DEMO_RECORDS['tove-marchetti']!),
    footwear: { sockMm: 1, chosen: { model: model.id, sizeLeftMm: 265, sizeRightMm: 270 } },
  })
  it("goes by the model's own share, or by what the shop learned of it", () => {
    const stated = packOutForecast(record, { ...model, liner: { ...model.liner, packOut: 0.1 } }, 0)
    expect(stated.curve).toMatchObject({ endShare: 0.1, count: 0 })
    const learned = { endShare: 0.3, scaleDays: 30, count: 8 }
    expect(
      packOutForecast(record, asPacked(model, { [model.id]: learned }), 0, learned).curve,
    ).toEqual(learned)
  })
  it('the cover of the device gives too: its own share of its thickness, in height, where it lies', () => {
    // All of a liner and foam is gone after so many days.
    const END = 1e5
    const withCover = (packOut: number) => {
      const norms = { ...HOUSE_NORMS, coverMaterials: [{ id: 'foam', name: 'Foam', packOut }] }
      const own = structuredClone({ ...record, norms })
      for (const side of ['left', 'right'] as const)
        own.feet[side]!.device!.shell.cover = { material: 'foam', thicknessMm: 4 }
      const { lines } = packOutForecast(own, model, END)
      return new Map(lines.map((l) => [`${l.side} ${l.station}`, l.nowMm - l.newMm]))
    }
    const [firm, soft] = [withCover(0), withCover(0.25)]
    const moved = [...soft].flatMap(([at, mm]) => {
      const by = mm - (firm.get(at) ?? 0)
      return Math.abs(by) > 1e-9 ? [[at.split(' ')[1], Math.round(by * 1e6) / 1e6]] : []
    })
    expect(moved.length).toBeGreaterThan(0)
    for (const [station, mm] of moved) {
      expect(['toeBoxHeight', 'ballHeight', 'instepHeight', 'anklePocket']).toContain(station)
      expect(mm).toBe(1)
    }
  })
})
