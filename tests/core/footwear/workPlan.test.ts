import { HOUSE_NORMS } from '../../../core/record/tables'
import { describe, expect, it } from 'vitest'
import type { FootwearModel } from '../../../core/footwear/catalogueSchema'
import { matchRecord, standingFeet } from '../../../core/footwear/matchRecord'
import { predictedGapMm, predictedLooks } from '../../../core/footwear/shellCheck'
import { lineOf, planOf, pressMm, workForSpot } from '../../../core/footwear/workPlan'
import { workedOffsets } from '../../../core/footwear/shownOffsets'
import type { FittingRecord, ShellWork } from '../../../core/record/schema'
import { demoModels } from '../../../demo/catalogue'
import { DEMO_RECORDS } from '../../../demo/records'

const tove = DEMO_RECORDS['tove-marchetti']!
const model = demoModels().find((m) => m.id === 'fern-traverse-99')!
const at265: FootwearModel = { ...model, sizesMm: [265] }
const fitOf = (record: FittingRecord, m = at265) => matchRecord(record, [m]).pair[0]!

describe('work on the shell', () => {
  // Usual joints and no marks: nothing moves the bands.
  const plain = structuredClone(tove)
  plain.feet.right!.findings = {}
  const feet = standingFeet(plain)
  const tight: FootwearModel = { ...at265, at: { ...at265.at, ballWidthMm: 105 } }
  const fit = fitOf(plain, tight)
  const plan = planOf(feet.right!, 'right', tight, fit.right!)
  const ball = plan.find((w) => w.station === 'ball')!
  it('is placed in shell coordinates and set with its spring-back', () => {
    // Ball of the right foot: 99 mm wide in 105 − 2 × 4 − 2: (105 − 99 − 10) / 2 = −2; the band
    // starts at 0, so 2 mm a side, pressed to 2.4.
    expect(ball).toMatchObject({
      does: 'stretch',
      amountMm: 2,
      at: { side: 'both' },
      state: 'planned',
    })
    expect(ball.at.fromHeelMm).toBe(Math.round(0.725 * feet.right!.lengthMm + 6 * 0.8))
    const line = lineOf(ball, tight, HOUSE_NORMS)
    expect(line).toMatchObject({ setMm: 2.4, stops: [] })
    expect(line.process).toMatch(/heat evenly to 110 °C, never above 120 °C.*cool 20 to 25 min/)
    expect(pressMm(3, 0.1)).toBeCloseTo(3.3, 9)
  })
  it('stops at the plastic, the wall and the boot board, and asks for a certified look at soles', () => {
    const line = (w: Partial<ShellWork>) => lineOf({ ...ball, ...w }, tight, HOUSE_NORMS)
    expect(line({ amountMm: 7 }).stops).toEqual(['7 mm asked; this wall stretches 6 mm'])
    expect(line({ amountMm: 5.5 }).cautions[0]).toMatch(/two goes/)
    expect(line({ does: 'grind', amountMm: 2.5 }).stops[0]).toMatch(
      /wall of 4.5 mm keeps 2.5, so 2 mm/,
    )
    expect(line({ does: 'grind boot board', amountMm: 4 }).stops[0]).toMatch(/gives 3 mm/)
    expect(line({ does: 'sole', amountMm: 1 }).cautions[0]).toMatch(/certified technician/)
    expect(lineOf(ball, { ...tight, family: 'shoe' }, HOUSE_NORMS).process).toMatch(/no heat/)
  })
  const done = (w: Partial<ShellWork>): FittingRecord => ({
    ...plain,
    footwear: {
      sockMm: 1,
      candidates: [],
      chosen: {
        model: tight.id,
        sizeLeftMm: 265,
        sizeRightMm: 265,
        shellChecks: [],
        tryOn: [],
        work: [{ ...ball, ...w }],
      },
    },
  })
  it('that is done goes back into the prediction of fit and shell check', () => {
    const before = fit.right!.clearances.ball!
    expect(fitOf(done({ state: 'planned' }), tight).right!.clearances.ball).toBeCloseTo(before, 9)
    expect(fitOf(done({ state: 'done' }), tight).right!.clearances.ball).toBeCloseTo(before + 2, 9)
    expect(fitOf(done({ state: 'done', gainedMm: 1.4 }), tight).right!.clearances.ball).toBeCloseTo(
      before + 1.4,
      9,
    )
    // One side only is half a side of the mean; another size of the same model is another shell.
    expect(
      fitOf(done({ state: 'done', at: { ...ball.at, side: 'medial' } }), tight).right!.clearances
        .ball,
    ).toBeCloseTo(before + 1, 9)
    expect(fitOf(done({ state: 'done', sizeMm: 275 }), tight).right!.clearances.ball).toBeCloseTo(
      before,
      9,
    )
    const gap = (r: FittingRecord) => predictedGapMm(r, 'right', tight, 265, true)!
    expect(gap(done({ state: 'done', station: 'length', amountMm: 3 })) - gap(plain)).toBeCloseTo(
      3,
      9,
    )
    expect(
      workedOffsets([
        { ...ball, does: 'pad', state: 'done' },
        { ...ball, does: 'cuff', state: 'done' },
      ]).map((o) => o.mm),
    ).toEqual([-2])
  })
  it('shows in what a look at the shell should see, liner out: room, touch or press, by place', () => {
    const looks = (m: Partial<FootwearModel['at']>, r: FittingRecord = plain) =>
      predictedLooks(r, 'right', { ...tight, at: { ...tight.at, ...m } }, 265)
    // Right foot: ball 99, ankle 69, one sock of 1 mm. (110 − 99 − 2)/2 = 4.5; (72 − 69 − 2)/2 =
    // 0.5; (98 − 99 − 2)/2 = −1.5.
    expect(looks({ ballWidthMm: 110, ankleWidthMm: 72 })).toMatchObject({
      ball: { roomMm: expect.closeTo(4.5, 9), look: 'clear' },
      ankle: { roomMm: expect.closeTo(0.5, 9), look: 'touches' },
    })
    expect(looks({ ballWidthMm: 98 }).ball).toEqual({
      roomMm: expect.closeTo(-1.5, 9),
      look: 'presses',
    })
    // No mark beside the fifth toe and none at the navicular: not predicted. A stretched shell is
    // looked at as it was worked.
    expect(Object.keys(looks({ ballWidthMm: 110 }))).toEqual(['ankle', 'ball'])
    expect(looks({ ballWidthMm: 98 }, done({ state: 'done' })).ball!.look).toBe('touches')
    const bumped = structuredClone(plain)
    bumped.feet.right!.findings = {
      marks: [{ kind: 'bonyPoint', view: 'medial', xMm: 30, yMm: 120, proudMm: 5 }],
    }
    expect(looks({ navicularRoomMm: 4 }, bumped).navicular).toEqual({
      roomMm: expect.closeTo(-2, 9),
      look: 'presses',
    })
    expect(
      predictedLooks({ ...plain, feet: { left: plain.feet.left } }, 'right', tight, 265),
    ).toEqual({})
  })
  it('follows a hot spot to its place on the shell', () => {
    const spot = workForSpot(
      { view: 'lateral', xMm: -45, yMm: 172, level: 2 },
      0,
      feet.right!,
      'right',
      tight,
      265,
    )!
    expect(spot).toMatchObject({
      station: 'fifthMet',
      does: 'stretch',
      amountMm: 2,
      at: { side: 'lateral', fromHeelMm: Math.round(172 + 4.8) },
    })
    expect(
      workForSpot(
        { view: 'plantar', xMm: 0, yMm: 170, level: 2 },
        0,
        feet.right!,
        'right',
        tight,
        265,
      ),
    ).toBeNull()
  })
})
