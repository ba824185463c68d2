import { HOUSE_NORMS } from '../../../core/record/tables'
import { describe, expect, it } from 'vitest'
import type { FootwearModel } from '../../../core/footwear/catalogueSchema'
import { fitFoot } from '../../../core/footwear/fitFoot'
import { adviseFlex, flexWords, ownFlexStep } from '../../../core/footwear/flex'
import { matchSettings, standingFeet } from '../../../core/footwear/matchRecord'
import { orderSheet } from '../../../core/formats/papers/orderSheet'
import { sockMm, sockNotes } from '../../../core/footwear/socks'
import { backView, sideView } from '../../../core/footwear/views'
import type { FittingRecord } from '../../../core/record/schema'
import { FAMILIES } from '../../../core/kinds/families/all'
import { demoModels } from '../../../demo/catalogue'
import { DEMO_RECORDS } from '../../../demo/records'

const tove = DEMO_RECORDS['tove-marchetti']!
const model = demoModels().find((m) => m.id === 'fern-traverse-99')!
const at265: FootwearModel = { ...model, sizesMm: [265] }

describe('flex, socks and the order sheet', () => {
  it("advise a stiffness on the shop's own scale with what each part adds", () => {
    const advice = adviseFlex({
      ...tove,
      client: { massKg: 95, heightMm: 1850 },
      story: { ...tove.story!, ability: 'expert', force: 'hard', terrain: 'piste' },
      feet: {} as never,
    })
    // 5 + 1.6 (95 kg) + 0.3 (1850 mm) + 2 (expert) + 1 (hard) + 0.5 (piste) − 0.5 (cold) = 9.9 → 10
    expect(advice.step).toBe(10)
    expect(advice.missing).toEqual(['ankle range'])
    const step = (massKg: number) =>
      adviseFlex({ ...tove, client: { massKg, heightMm: 1750 } }).step
    expect(step(60)).toBeLessThan(step(90))
  })
  it("tie makers' numbers to the own scale by points and say when they are not", () => {
    const points = {
      Fernhalt: [
        [80, 4],
        [110, 7],
      ],
    } as const
    expect(
      ownFlexStep(
        { maker: 'Fernhalt', flex: { index: 95 } },
        { ...HOUSE_NORMS, flexPoints: points as never },
      ),
    ).toEqual({
      step: 5.5,
      calibrated: true,
    })
    expect(
      ownFlexStep(
        { maker: 'Fernhalt', flex: { index: 120 } },
        { ...HOUSE_NORMS, flexPoints: points as never },
      )!.step,
    ).toBe(8)
    expect(
      ownFlexStep(
        { maker: 'Lodemark', flex: { index: 95 } },
        { ...HOUSE_NORMS, flexPoints: points as never },
      ),
    ).toEqual({
      step: 5.5,
      calibrated: false,
    })
    expect(
      ownFlexStep(
        { maker: 'Lodemark', flex: undefined },
        { ...HOUSE_NORMS, flexPoints: points as never },
      ),
    ).toBeNull()
    expect(
      flexWords(
        { maker: 'Lodemark', flex: { index: 95 } },
        { step: 9, parts: [], missing: [] },
        HOUSE_NORMS,
      ),
    ).toMatch(/not calibrated.*softer than advised/)
  })
  it('add socks up and say what is too much', () => {
    expect(sockMm({ oneMm: 1, count: 2 }, 'shoe')).toBe(2)
    // Nothing recorded: boots and skates 1 mm, shoes 1.5, climbing and dance shoes bare.
    const usual = Object.fromEntries(
      FAMILIES.map((f) => [f, sockMm({ oneMm: undefined, count: 1 }, f)]),
    )
    expect(usual).toEqual({
      'rigid-shell': 1,
      skate: 1,
      'soft-boot': 1,
      'laced-boot': 1,
      'riding-shoe': 1.5,
      'climbing-shoe': 0,
      'work-boot': 1,
      cleat: 1.5,
      shoe: 1.5,
      'dress-shoe': 1.5,
      dance: 0,
    })
    expect(sockMm({ oneMm: undefined, count: 2 }, 'shoe')).toBe(3)
    expect(
      [
        sockNotes({ oneMm: 1, count: 1 }, false, HOUSE_NORMS),
        sockNotes({ oneMm: undefined, count: 1 }, true, HOUSE_NORMS),
        sockNotes({ oneMm: 2.5, count: 1 }, false, HOUSE_NORMS),
        sockNotes({ oneMm: 1, count: 2 }, true, HOUSE_NORMS),
      ].map((n) => n.length),
    ).toEqual([0, 0, 1, 2])
    expect(
      matchSettings({ ...tove, footwear: { sockMm: 1.5, socks: 2, candidates: [] } }).socks,
    ).toEqual({ oneMm: 1.5, count: 2 })
    // The same shoe with nothing recorded has half a millimetre less each side at the ball than
    // with 1 mm said.
    const shoe = { ...at265, family: 'shoe' as const }
    const ball = (footwear: FittingRecord['footwear']) =>
      fitFoot(standingFeet(tove).left!, 'left', shoe, 265, matchSettings({ ...tove, footwear }))
        .clearances.ball!
    expect(ball({ sockMm: 1, candidates: [] }) - ball(undefined)).toBeCloseTo(0.5, 9)
  })
  it('list measures from calf to toe, name what is missing, and give bumps more room', () => {
    const sheet = orderSheet(tove)
    expect(sheet.measures[0]!.name).toBe('Calf girth')
    expect(sheet.measures.at(-1)!.feet.left!.standing).toBeCloseTo(264.33, 1)
    expect(orderSheet({ ...tove, feet: { left: { readings: [] } } }).missing).toContain(
      'left: foot length',
    )
    const bumped = structuredClone(tove)
    bumped.feet.right!.findings = {
      marks: [{ kind: 'bonyPoint', view: 'medial', xMm: 30, yMm: 120 }],
    }
    const navicular = (r: FittingRecord) =>
      orderSheet(r).regions.find((x) => x.code === 'navicular')!
    expect(navicular(bumped).right).toBe(navicular(bumped).left + 3)
  })
  it('draw a foot inside its shell to scale, naming what nobody measured', () => {
    const foot = standingFeet(tove).left!
    const side = sideView(foot, at265, 265)
    expect(Math.max(...side.shell.map(([y]) => y))).toBe(280)
    const along = side.foot.map(([y]) => y)
    expect(Math.max(...along)).toBeCloseTo(foot.lengthMm + 6 * 0.8, 6)
    expect(Math.min(...along)).toBeCloseTo(6 * 0.8, 6)
    expect(Math.max(...backView(foot, at265, 265).shell.map(([x]) => x))).toBeCloseTo(
      418 / (2 * Math.PI),
      6,
    )
    expect(sideView(foot, { ...at265, at: { lengthMm: 280 } }, 265).guessed).toContain(
      'instepHeight',
    )
  })
})
