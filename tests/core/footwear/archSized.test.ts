import { describe, expect, it } from 'vitest'
import { standingFoot } from '../../../core/footwear/clearance'
import { fitFoot } from '../../../core/footwear/fitFoot'
import { matchRecord } from '../../../core/footwear/matchRecord'
import { FAMILY_KINDS } from '../../../core/kinds/families/all'
import { parseRecord } from '../../../core/record/parse'
import { HOUSE_NORMS } from '../../../core/record/tables'
import { demoModels } from '../../../demo/catalogue'
import { standing } from '../../fixtures/feet'
import { SETTINGS, shell } from '../../fixtures/handShell'

/** A foot of 264 mm whose arch is as long as one of so many mm has. */
const feetOf = (archAsIn: number) => {
  const foot = {
    readings: [
      standing('footLengthMm', 264),
      standing('archLengthMm', 0.73 * archAsIn),
      standing('forefootWidthMm', 99),
      standing('heelWidthMm', 64),
    ],
  }
  return parseRecord({
    format: 'gentle-arch/fitting',
    version: 1,
    feet: { left: foot, right: foot },
  })
}
const footOf = (archAsIn: number) => standingFoot(feetOf(archAsIn).feet.left!, null, HOUSE_NORMS)!
const lengthIn = (family: string, archAsIn: number) => {
  const fit = fitFoot(footOf(archAsIn), 'left', shell({ family: family as never }), 275, SETTINGS)
  return { room: fit.clearances.length, by: fit.byArchMm }
}

describe('an arch that is long for its foot', () => {
  it('sizes what bends at the ball: 6 mm more arch are 6 mm less room', () => {
    const usual = lengthIn('shoe', 264)
    expect(usual.by).toBeNull()
    expect(lengthIn('shoe', 270).room).toBeCloseTo(usual.room! - 6, 9)
    expect(lengthIn('shoe', 270).by).toBeCloseTo(270, 9)
  })

  it('below the table’s 6 mm it is watched, and sizes nothing', () => {
    expect(lengthIn('shoe', 269.9)).toEqual(lengthIn('shoe', 264))
    // Nor does an arch that is short for the foot make its footwear shorter than its toes.
    expect(lengthIn('shoe', 250)).toEqual(lengthIn('shoe', 264))
  })

  it('leaves what does not bend alone', () => {
    for (const { kind, bends } of FAMILY_KINDS.all) {
      const shorter = lengthIn(kind, 264).room! - lengthIn(kind, 274).room!
      expect([kind, shorter]).toEqual([kind, bends ? expect.closeTo(10, 9) : 0])
    }
    expect(FAMILY_KINDS.all.filter((f) => f.boot && f.hard).every((f) => !f.bends)).toBe(true)
  })

  it('of a whole catalogue, shoes come out longer and say why; shells stay as they were', () => {
    const models = demoModels()
    const [usual, long] = [264, 276].map((as) => matchRecord(feetOf(as), models))
    const sizesOf = (result: typeof usual) =>
      new Map(result!.pair.map((p) => [p.model, p.left!.sizeMm]))
    const [before, after] = [sizesOf(usual), sizesOf(long)]
    let longer = 0
    for (const model of models) {
      const [was, is] = [before.get(model.id), after.get(model.id)]
      if (was === undefined || is === undefined) continue
      if (FAMILY_KINDS.of(model.family).bends) {
        expect(is).toBeGreaterThanOrEqual(was)
        if (is > was) longer++
      } else expect(is).toBe(was)
    }
    expect(longer).toBeGreaterThan(3)
    const shoe = long!.pair.find(
      (p) => FAMILY_KINDS.of(models.find((m) => m.id === p.model)!.family).bends,
    )!
    expect(shoe.reasons.join(' ')).toMatch(/left: sized by arch length, as a foot of 276\.0 mm/)
  })
})
