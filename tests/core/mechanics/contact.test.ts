import { HOUSE_NORMS } from '../../../core/record/tables'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { buildDevice, plainDevice, soleFieldOf } from '../../../core/device/buildDevice'
import { inRealSpace } from '../../../core/device/solid'
import { writeStl } from '../../../core/formats/mesh/writeStl'
import { surelyNmm } from '../../../core/mechanics/contactEffect'
import { cellWords, effectCells } from '../../../core/mechanics/effectCells'
import { benchRecord } from '../../fixtures/benchRecord'
import { onTheBench } from '../../fixtures/flatBench'
import { sampleSole } from '../../../core/device/soleField'
import { footField } from '../../../core/device/footField'
import { sampleGrid } from '../../../core/geometry/grid'
import { calibrateTissue, calibrationOf, platePeaks } from '../../../core/mechanics/calibrate'
import { contactGround, contactOnDevice } from '../../../core/mechanics/contact'
import { contactReport, plainOf } from '../../../core/mechanics/contactReport'
import { pressureRefusal } from '../../../core/mechanics/pressureRefusal'
import { effectStep, twoDigits } from '../../../core/mechanics/effectSteps'
import { layerEffects } from '../../../core/mechanics/layerEffects'
import { solveContact, type ContactCells } from '../../../core/mechanics/contactSolver'
import { sensorMean } from '../../../core/mechanics/pressureRegions'
import { AXES, subtalarMoment } from '../../../core/mechanics/subtalarAxis'
import { deviceSchema } from '../../../core/record/schema'
import { DEMO_RECORDS } from '../../../demo/records'
import { refusalCode } from '../../fixtures/refusalCode'
import { randomPrescription } from '../../fixtures/randomDevice'
import { runs } from '../../effort'
import { REFERENCE_SOLE } from '../../fixtures/referenceSole'

const K = 0.02
/**
 * Cells of a plan on a square grid with a gap; linear springs of 0.02 N/mm³ where no law is given.
 */
function cellsOf(
  inside: (x: number, y: number) => boolean,
  gap: (x: number, y: number) => number,
  step: number,
  half: number,
  law: { a: number; p0: number; c: number } = { a: 0, p0: 1, c: 1 / K },
  nz = 1,
): ContactCells {
  const at: [number, number][] = []
  for (let y = -half + step / 2; y < half; y += step)
    for (let x = -half + step / 2; x < half; x += step) if (inside(x, y)) at.push([x, y])
  const fill = (v: number) => new Float64Array(at.length).fill(v)
  return {
    x: Float64Array.from(at, (p) => p[0]),
    y: Float64Array.from(at, (p) => p[1]),
    areaMm2: step * step,
    gapMm: Float64Array.from(at, ([x, y]) => gap(x, y)),
    nz: fill(nz),
    aMm: fill(law.a),
    p0: fill(law.p0),
    cMm: fill(law.c),
  }
}
const rectangle = (
  wide: number,
  long: number,
  step = 1,
  gap: (x: number, y: number) => number = () => 0,
) =>
  cellsOf(
    (x, y) => Math.abs(x) < wide / 2 && Math.abs(y) < long / 2,
    gap,
    step,
    Math.max(wide, long) / 2,
  )
const kPa = (p: Float64Array) => [1000 * Math.max(...p), 1000 * Math.min(...p)]
/** How deep a force presses, mm. */
const depthAt = (cells: ContactCells, forceN: number) =>
  solveContact(cells, { forceN, xcMm: 0, ycMm: 0, roll: 'fixed' }).sinkMm

describe('contact', () => {
  it('of a rectangle on springs is a straight line of pressure, on all of it or on a part', () => {
    // 60 × 100, 400 N, 10 mm off centre: 66.667 ± 40 kPa. 25 mm off: three times the distance to
    // the edge carries, 75 mm, 177.78 kPa.
    const off = solveContact(rectangle(60, 100, 0.5), {
      forceN: 400,
      xcMm: 0,
      ycMm: 10,
      roll: 'fixed',
    })
    const [high, low] = kPa(off.pressure)
    expect(high).toBeCloseTo(106.667 - (80 / 100) * 0.25, 2)
    expect(low).toBeCloseTo(26.667 + (80 / 100) * 0.25, 2)
    expect(off.copMm.y).toBeCloseTo(10, 6)
    const far = solveContact(rectangle(60, 100, 0.5), {
      forceN: 400,
      xcMm: 0,
      ycMm: 25,
      roll: 'fixed',
    })
    expect(kPa(far.pressure)[0]! / (1 - 0.25 / 75)).toBeCloseTo(177.78, 0)
    expect((far.pressure.filter((p) => p > 0).length * 0.25) / 60).toBeCloseTo(75, 0)
  })
  it('of a paraboloid and of a wedge is as deep as the closed forms say for their force', () => {
    const bowl = (law?: { a: number; p0: number; c: number }) =>
      cellsOf(
        (x, y) => Math.hypot(x, y) < 40,
        (x, y) => (x * x + y * y) / 120,
        0.5,
        40,
        law,
      )
    expect(depthAt(bowl(), 94.248) / 5).toBeCloseTo(1, 2.3)
    expect(depthAt(bowl({ a: 4, p0: 0.02, c: 0 }), 59.766) / 6).toBeCloseTo(1, 2.3)
    const wedge = cellsOf(
      (x, y) => Math.abs(x) < 30 && Math.abs(y) < 25,
      (x) => Math.abs(x) * Math.tan((15 * Math.PI) / 180),
      0.25,
      30,
    )
    expect(depthAt(wedge, 59.713) / 4).toBeCloseTo(1, 2.3)
  })
  it("of a tilted plane turns against the leg's spring: held fast, held by 30 N·m/rad, free", () => {
    const tilted = rectangle(60, 100, 0.5, (x) => -Math.tan((4 * Math.PI) / 180) * x)
    const at = (roll: number | 'fixed') =>
      solveContact(tilted, { forceN: 400, xcMm: 0, ycMm: 0, roll })
    expect(at('fixed').copMm.x).toBeCloseTo(6.293, 1)
    const held = at(30_000)
    expect(held.rollRad).toBeCloseTo(0.038142, 3)
    expect(held.copMm.x).toBeCloseTo(2.861, 1)
    expect(at(0).copMm.x).toBeCloseTo(0, 6)
  })
  it('is in balance to a millionth, wherever the load lies on whatever surface, and the same from any start', () => {
    const bumps = fc.array(
      fc.record({
        x: fc.integer({ min: -25, max: 25 }),
        y: fc.integer({ min: -45, max: 45 }),
        h: fc.double({ min: -3, max: 3, noNaN: true }),
      }),
      { maxLength: 5 },
    )
    fc.assert(
      fc.property(
        bumps,
        fc.integer({ min: 20, max: 1200 }),
        fc.integer({ min: -30, max: 30 }),
        fc.constantFrom<number | 'fixed'>(0, 30_000, 60_000, 'fixed'),
        (list, forceN, ycMm, roll) => {
          const cells = rectangle(60, 100, 4, (x, y) =>
            list.reduce((z, b) => z + b.h * Math.exp(-((x - b.x) ** 2 + (y - b.y) ** 2) / 200), 0),
          )
          cells.aMm.fill(4)
          cells.p0.fill(0.02)
          cells.cMm.fill(5)
          const found = solveContact(cells, { forceN, xcMm: 0, ycMm, roll })
          const whole = found.pressure.reduce((s, p) => s + p, 0) * cells.areaMm2
          expect(Math.abs(whole / forceN - 1)).toBeLessThan(1e-6)
          expect(Math.abs(found.copMm.y - ycMm)).toBeLessThan(1e-3)
          if (typeof roll === 'number')
            expect(Math.abs(found.copMm.x * forceN - roll * found.rollRad)).toBeLessThan(
              1e-3 * forceN,
            )
          const again = solveContact(cells, { forceN, xcMm: 0, ycMm, roll }, [
            found.sinkMm + 2,
            0.05,
            -0.02,
          ])
          expect(again.sinkMm).toBeCloseTo(found.sinkMm, 4)
        },
      ),
      { numRuns: runs(60) },
    )
  })
  it('is refused with a sentence where there is no rest', () => {
    const flat = rectangle(60, 100, 2)
    expect(refusalCode(() => solveContact(flat, { forceN: 400, xcMm: 0, ycMm: 51, roll: 0 }))).toBe(
      'no-equilibrium',
    )
    expect(refusalCode(() => solveContact(flat, { forceN: 400, xcMm: 40, ycMm: 0, roll: 0 }))).toBe(
      'no-equilibrium',
    )
    expect(refusalCode(() => solveContact(flat, { forceN: 0, xcMm: 0, ycMm: 0, roll: 0 }))).toBe(
      'no-equilibrium',
    )
    expect(
      refusalCode(() =>
        solveContact(
          rectangle(60, 100, 2, () => 90),
          { forceN: 400, xcMm: 0, ycMm: 0, roll: 0 },
        ),
      ),
    ).toBe('no-equilibrium')
  })
})

describe('the foot', () => {
  const field = sampleSole(REFERENCE_SOLE, 2)
  const ground = contactGround(field, HOUSE_NORMS, 75)
  const heel = (r: { share: Record<string, number> }) => r.share.heelMedial! + r.share.heelLateral!
  it('barefoot on the floor carries as people do: 60, 8, 28 and 4 per cent, 139 and 53 kPa', () => {
    const { share, peakKPa } = ground.floor
    expect(heel(ground.floor)).toBeCloseTo(60, 0)
    expect(share.midfootMedial + share.midfootLateral).toBeCloseTo(8, 0)
    expect(share.head1 + share.head2 + share.head3 + share.head4 + share.head5).toBeCloseTo(28, 0)
    expect(share.toes).toBeCloseTo(4, 0)
    expect(Math.max(peakKPa.heelMedial, peakKPa.heelLateral)).toBeCloseTo(139, 0)
    expect(
      Math.max(peakKPa.head1, peakKPa.head2, peakKPa.head3, peakKPa.head4, peakKPa.head5),
    ).toBeCloseTo(53, 0)
    expect(Object.values(share).reduce((s, v) => s + v, 0)).toBeCloseTo(100, 9)
  })
  it('turns about the subtalar axis by force and centre alone', () => {
    expect(subtalarMoment(100, 0, 26.5, 265, AXES.central)).toBeCloseTo(1071.5, 0)
    for (const [axis, moment] of [
      ['central', -262.5],
      ['medial', -1612.5],
      ['lateral', 1124.7],
    ] as const)
      expect(subtalarMoment(100, 10, 126.5, 265, AXES[axis])).toBeCloseTo(moment, 0)
  })
  const plain = contactOnDevice(ground, plainDevice())
  const change = (device: object) => {
    const own = deviceSchema.parse(device)
    const plain = contactOnDevice(ground, plainOf(own))
    const r = contactOnDevice(ground, own, { start: plain })
    return {
      moment: r.momentNmm - plain.momentNmm,
      fixed: r.momentFixedNmm - plain.momentFixedNmm,
      roll: r.rollDeg - plain.rollDeg,
      medialHeel: r.share.heelMedial - plain.share.heelMedial,
      head2: r.peakKPa.head2 / plain.peakKPa.head2 - 1,
      r,
    }
  }
  it('on a skive turns outward more with every millimetre, a shave of three between the skives of three and four', () => {
    const [two, three, four] = [2, 3, 4].map((depthMm) =>
      change({ layers: [{ kind: 'medialSkive', depthMm }] }),
    )
    const shave = change({ layers: [{ kind: 'threePlaneShave', depthMm: 3 }] })
    expect(two!.moment).toBeGreaterThan(50)
    expect(three!.moment).toBeGreaterThan(two!.moment)
    expect(shave.moment).toBeGreaterThan(three!.moment)
    expect(four!.moment).toBeGreaterThan(shave.moment)
    // Within the factor that equally good tissue fits differ by: 0.6 to 1.5 of 95, 170 and 255
    // N·mm.
    ;[95, 170, 255].forEach((said, i) => {
      const found = [two, three, four][i]!.moment
      expect(found / said).toBeGreaterThan(0.6)
      expect(found / said).toBeLessThan(1.5)
    })
    expect(three!.fixed).toBeGreaterThan(three!.moment)
    expect(three!.medialHeel).toBeGreaterThan(2)
  })
  it('turns both ways alike on posts, inward by lateral work; a pad relieves the heads before it', () => {
    const [varus, valgus] = [4, -4].map((angleDeg) =>
      change({ posts: [{ at: 'rearfoot', angleDeg }] }),
    )
    expect(varus!.moment).toBeGreaterThan(150)
    expect(valgus!.moment / -varus!.moment).toBeCloseTo(1, 0)
    expect(Math.abs(varus!.roll)).toBeLessThan(1)
    expect(change({ layers: [{ kind: 'lateralSkive', depthMm: 3 }] }).moment).toBeLessThan(-50)
    expect(change({ layers: [{ kind: 'fifthMetSupport', heightMm: 2 }] }).moment).toBeLessThan(-50)
    const [three, five, six] = [3, 5, 6].map(
      (heightMm) => change({ layers: [{ kind: 'metPad', heightMm }] }).head2,
    )
    expect(three!).toBeLessThan(-0.05)
    expect(five!).toBeLessThan(three!)
    expect(six!).toBeLessThan(five!)
  })
  it('on a skive turns outward as much on a level block below it as without one', () => {
    const skive = { layers: [{ kind: 'medialSkive', depthMm: 4 }] }
    const flat = { posts: [{ at: 'rearfoot', angleDeg: 0 }] }
    expect(Math.abs(change({ ...skive, ...flat }).moment - change(skive).moment)).toBeLessThan(10)
  })
  it('on a device with a layer of nothing is where it was, exactly', () => {
    const same = contactOnDevice(
      ground,
      deviceSchema.parse({ layers: [{ kind: 'medialSkive', depthMm: 3, on: false }] }),
    )
    expect(same.momentNmm).toBe(plain.momentNmm)
    expect(same.share).toEqual(plain.share)
  })
  it('tells each layer alone and within the whole; one layer alone is the whole, and several are not their sum', () => {
    const skive = { kind: 'medialSkive', depthMm: 3 }
    const one = layerEffects(
      ground,
      deviceSchema.parse({ layers: [skive, { kind: 'metPad', heightMm: 4, on: false }] }),
    )
    expect(one.parts.map((p) => p.name)).toEqual(['Medial heel skive', 'Shell gives'])
    expect(one.parts[0]!.alone.momentNmm).toBeCloseTo(one.change.momentNmm, 3)
    expect(one.parts[0]!.within.momentNmm).toBeCloseTo(one.change.momentNmm, 3)
    expect(Math.abs(one.together.momentNmm)).toBeLessThan(1e-3)
    const many = layerEffects(
      ground,
      deviceSchema.parse({
        layers: [skive, { kind: 'metPad', heightMm: 4 }],
        posts: [{ at: 'rearfoot', angleDeg: 4 }],
      }),
    )
    expect(many.parts.map((p) => p.name)).toEqual([
      'Medial heel skive',
      'Met pad',
      'Rearfoot post',
      'Shell gives',
    ])
    expect(many.change.momentNmm).toBeCloseTo(
      many.parts.slice(0, 3).reduce((sum, p) => sum + p.alone.momentNmm, 0) +
        many.together.momentNmm,
      6,
    )
    expect(many.parts[1]!.alone.headPeakPercent[1]).toBeLessThan(-5)
    expect(many.parts[0]!.alone.medialHeelPoints).toBeGreaterThan(2)
  })
  it('comes to rest on whatever device the studio can make', () => {
    for (let seed = 1; seed <= 60; seed++) {
      const foot = randomPrescription(seed).feet.left!
      const { solution, share, momentNmm } = contactOnDevice(
        contactGround(
          sampleSole(soleFieldOf(foot, 'left', HOUSE_NORMS, 4).field.sole.parameters, 4),
          HOUSE_NORMS,
          75,
        ),
        foot.device!,
      )
      expect(solution.imbalance, `seed ${seed}`).toBeLessThan(1e-6)
      expect(solution.steps, `seed ${seed}`).toBeLessThan(30)
      expect([momentNmm, ...Object.values(share)].every(Number.isFinite), `seed ${seed}`).toBe(true)
    }
  })
  it('is fitted to a measured picture by one factor, shown before and after; without a picture there is none', () => {
    const coarse = sampleSole(field.sole.parameters, 4)
    const truth = contactGround(coarse, HOUSE_NORMS, 75, 'standing', undefined, 1.4).floor.peakKPa
    const found = calibrateTissue(coarse, 75, {
      heelKPa: Math.max(truth.heelMedial, truth.heelLateral),
      headsKPa: Math.max(truth.head1, truth.head2, truth.head3, truth.head4, truth.head5),
    })!
    expect(found.stiffer).toBeCloseTo(1.4, 2)
    expect(found.after.heelKPa).toBeGreaterThan(found.before.heelKPa)
    expect(calibrateTissue(coarse, 75, { heelKPa: 2000 })!.stiffer).toBeCloseTo(2.5, 1)
    expect(calibrateTissue(coarse, 75, {})).toBeNull()
  })
  it("takes the peaks of a plate: of a mean as wide as the model's, under the force that the plate felt", () => {
    const foot = structuredClone(DEMO_RECORDS['tove-marchetti']!.feet.right!)
    const model = contactGround(
      footField(foot, HOUSE_NORMS, 4)!.field,
      HOUSE_NORMS,
      64,
      'standing',
      undefined,
      1.5,
    ).floor
    const cell = 5
    const { x0, y0, columns, rows, stepMm } = footField(foot, HOUSE_NORMS, 4)!.field
    // The model's own picture, as a plate with cells of 5 mm would see it, rows from the toes.
    const grid = { x0, y0, columns, rows, stepMm, z: model.solution.pressure }
    const kPa = Array.from({ length: 60 }, (_, r) =>
      Array.from({ length: 26 }, (_, c) =>
        Math.max(0, 1000 * sampleGrid(grid, (c - 12.5) * cell, (59.5 - r) * cell - 10)),
      ),
    )
    foot.footprint = { cellMm: cell, kPa }
    const { stiffer, measured, doubt, after } = calibrationOf(foot, 64, HOUSE_NORMS)!
    expect(measured.forceN / (0.5 * 64 * 9.81)).toBeCloseTo(1, 1)
    expect(stiffer).toBeGreaterThan(1.3)
    expect(stiffer).toBeLessThan(1.7)
    expect(Math.abs(after.headsKPa - measured.headsKPa)).toBeLessThan(0.15 * measured.headsKPa)
    expect(doubt).toBeNull()
    expect(calibrationOf(foot, 120, HOUSE_NORMS)!.doubt).toMatch(/other foot/)
    // Finer cells are averaged to the same width.
    const fine = platePeaks({
      cellMm: 2.5,
      kPa: kPa.flatMap((row) => [row.flatMap((v) => [v, v]), row.flatMap((v) => [v, v])]),
    })!
    expect(fine.sensorMm).toBe(5)
    expect(fine.heelKPa).toBeCloseTo(measured.heelKPa, 6)
    expect(
      platePeaks({
        cellMm: 5,
        kPa: [
          [0, 0, 0],
          [0, 0, 0],
          [0, 0, 0],
        ],
      }),
    ).toBeNull()
  })
  it('changes are shown as arrows in four steps and numbers of two digits', () => {
    expect([0.4, -0.6, 3, 9].map((v) => effectStep('share', v).word)).toEqual([
      'none',
      'slight',
      'moderate',
      'marked',
    ])
    expect(effectStep('moment', -180)).toEqual({ step: 2, word: 'moderate', way: 'down' })
    expect([163.4, -0.0237, 8.96, 0].map(twoDigits)).toEqual([160, -0.024, 9, 0])
  })
  it('mean of a sensor keeps the load and lowers a peak', () => {
    const spike = new Float64Array(field.x.length)
    const at = field.columns * 40 + 30
    spike[at] = 1
    const mean = sensorMean(field, spike)
    expect(mean.reduce((s, v) => s + v, 0)).toBeCloseTo(1, 9)
    expect(mean[at]!).toBeCloseTo((2 / 5) ** 2, 9)
  })
})

describe("a record's contact", () => {
  const tove = DEMO_RECORDS['tove-marchetti']!
  it('tells floor, plain device and own device with its label and what it leaves out', () => {
    const report = contactReport(tove, 'right')
    expect(report.device.forceN).toBeCloseTo(0.5 * 64 * 9.81, 6)
    expect(report.change.subtalarMomentNmm).toBeGreaterThan(50)
    expect(report.change.subtalarMomentNmm).toBeCloseTo(
      report.device.subtalarMomentNmm - report.plain.subtalarMomentNmm,
      9,
    )
    for (const { share, peaksKPa, peakKPa } of [report.floor, report.plain, report.device]) {
      expect(Object.values(share).reduce((s, v) => s + v, 0)).toBeCloseTo(1, 9)
      expect(Object.keys(share)).toEqual([
        'heelMedial',
        'heelLateral',
        'midfootMedial',
        'midfootLateral',
        'met1',
        'met2',
        'met3',
        'met4',
        'met5',
        'toes',
      ])
      expect(Math.max(...Object.values(peaksKPa))).toBe(peakKPa)
    }
    expect(report.label).toMatch(/estimate/i)
    expect(report.ignores.length).toBeGreaterThan(4)
    expect(report.shellGive).toMatch(/3 mm Polypropylene, by its elements/)
    expect(contactReport(tove, 'right', 'single-limb').device.forceN).toBeCloseTo(
      1.1 * 64 * 9.81,
      6,
    )
  })
  it('measures against the plain device: fills and expansion stay, what pushes goes', () => {
    const plain = plainOf(
      deviceSchema.parse({
        layers: [{ kind: 'archFill' }, { kind: 'medialSkive' }],
        posts: [{ at: 'rearfoot', angleDeg: 4 }],
        castAngleDeg: 15,
        heelLiftMm: 4,
        outline: { heelCupMm: 18 },
      }),
    )
    expect(plain).toMatchObject({
      layers: [{ kind: 'archFill' }],
      // Its block stays, level: it steadies.
      posts: [{ at: 'rearfoot', angleDeg: 0 }],
      balance: { pourDeg: 0 },
      heelLiftMm: 0,
      outline: { heelCupMm: 18 },
    })
  })
  it('has no post where nothing steadies: in front, or in the shape of the heel', () => {
    const posts = [
      { at: 'forefoot', angleDeg: 4 },
      { at: 'rearfoot', style: 'intrinsic', angleDeg: 4 },
    ]
    expect(plainOf(deviceSchema.parse({ posts })).posts).toEqual([])
  })
  it("of mirrored feet is mirrored: the same numbers in either foot's own frame", () => {
    const mirrored = structuredClone(tove)
    mirrored.feet = {
      left: structuredClone(tove.feet.right),
      right: structuredClone(tove.feet.left),
    }
    const [a, b] = [contactReport(tove, 'right').device, contactReport(mirrored, 'left').device]
    expect(Math.abs(a.subtalarMomentNmm - b.subtalarMomentNmm)).toBeLessThan(1e-9)
    expect(a.share).toEqual(b.share)
  })
  it('has no numbers for children, thin pads, diabetes and feet at risk, and says what is missing', () => {
    expect(refusalCode(() => contactReport(DEMO_RECORDS['juno-abara']!, 'left'))).toBe(
      'no-pressure-numbers',
    )
    expect(pressureRefusal(DEMO_RECORDS['anselm-quarrie']!, 'right')).toMatch(
      /no pressure numbers|measure inside/,
    )
    const thin = structuredClone(tove)
    thin.feet.right!.findings!.fatPad = 'thin'
    expect(pressureRefusal(thin, 'right')).toMatch(/thin heel pad/i)
    expect(pressureRefusal(thin, 'left')).toBeNull()
    expect(
      refusalCode(() =>
        contactReport({ ...tove, client: { ...tove.client, massKg: undefined } }, 'left'),
      ),
    ).toBe('no-mass')
  })
})

describe('a device under the foot', () => {
  const report = (forefootDeg: number, device: object) =>
    contactReport({ ...benchRecord(forefootDeg, device), client: { massKg: 75 } }, 'left')
  /** The finished body on a bench, pressed where the bare foot's load stands. */
  const onBench = (forefootDeg: number, device: object) => {
    const foot = benchRecord(forefootDeg, device).feet.left!
    const { solid } = buildDevice(foot, 'left', HOUSE_NORMS)
    const [xc] = report(forefootDeg, device).floor.centreOfPressureMm
    return onTheBench(writeStl(inRealSpace(solid.mesh, 'left'), 'device'), [xc!, 0.357 * 265])
  }
  const FLAT = { at: 'rearfoot', angleDeg: 0 }
  it.each<[string, number, object]>([
    ['bare over a level forefoot', 0, {}],
    ['bare over 7° of varus', 7, {}],
    ['bare over 6° of valgus', -6, {}],
    ['on a flat block', 0, { posts: [FLAT] }],
    ['lifted', 0, { heelLiftMm: 8, posts: [FLAT] }],
  ])('rests as its body does on a flat bench: %s', (_, forefootDeg, device) => {
    const { rest } = report(forefootDeg, device).device
    const bench = onBench(forefootDeg, device)
    expect(Math.abs(rest!.rollDeg - bench.rollDeg)).toBeLessThan(0.3)
    expect(Math.abs(rest!.pitchDeg - bench.pitchDeg)).toBeLessThan(0.3)
  })
  it('that rolls to its inner side lets the foot turn inward: held level, it does not', () => {
    const bare = report(4, {})
    const held = report(4, { layers: [{ kind: 'intrinsicForefootPost' }] })
    const moved = report(4, { posts: [{ at: 'forefoot', angleDeg: 4 }] })
    expect(bare.device.rest!.rocks).toBe(true)
    expect(held.device.rest!.rollDeg).toBeLessThan(1)
    expect(moved.device.subtalarMomentNmm).not.toBeCloseTo(bare.device.subtalarMomentNmm, 0)
  })
  it('that rocks is told from the least to the most, one that stands by one number', () => {
    const skive = [{ kind: 'medialSkive', depthMm: 4 }]
    const { change } = report(0, { layers: skive })
    const [least, most] = change.subtalarMomentBetweenNmm!
    expect(least).toBeLessThan(0)
    expect(most).toBeGreaterThan(150)
    expect(change.subtalarMomentNmm).toBeGreaterThanOrEqual(least)
    expect(change.subtalarMomentNmm).toBeLessThanOrEqual(most)
    expect(report(0, { layers: skive, posts: [FLAT] }).change).not.toHaveProperty(
      'subtalarMomentBetweenNmm',
    )
  })
  it('that may turn it either way is shown so, and pushes neither too hard nor away', () => {
    const effect = (momentBetweenNmm?: [number, number]) => ({
      momentNmm: 240,
      momentBetweenNmm,
      momentFixedNmm: 0,
      medialHeelPoints: 0,
      headPeakPercent: [0, 0, 0, 0, 0],
      heelPeakPercent: 0,
      archPoints: 0,
    })
    const moment = (between?: [number, number]) => effectCells(effect(between)).at(-1)!
    expect(cellWords(moment())).toBe('Turning moment outward, moderate')
    expect(cellWords(moment([-160, 250]))).toBe('Turning moment either way, it rocks, moderate')
    expect(moment([-160, 250]).told).toMatch(/^from -160 to \+250 N·mm|^from −160 to \+250 N·mm/)
    expect(cellWords(moment([100, 250]))).toBe('Turning moment outward, moderate')
    expect(surelyNmm(effect([-160, 250]))).toBe(0)
    expect(surelyNmm(effect([100, 250]))).toBe(100)
    expect(surelyNmm(effect([-250, -100]))).toBe(-100)
    expect(surelyNmm(effect())).toBe(240)
  })
})
