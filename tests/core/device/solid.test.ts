import { HOUSE_NORMS } from '../../../core/record/tables'
import { describe, expect, it } from 'vitest'
import { buildDevice } from '../../../core/device/buildDevice'
import { inRealSpace } from '../../../core/device/solid'
import { writeStl } from '../../../core/formats/mesh/writeStl'
import { admesh } from '../../fixtures/admesh'
import { normalThickness } from '../../fixtures/normalThickness'
import { kindsOf, randomPrescription } from '../../fixtures/randomDevice'
import { sliceVolume } from '../../fixtures/sliceVolume'
import { referenceRecord } from '../../fixtures/feet'
import { runs } from '../../effort'

const MANY = runs(300, 45)
describe(`${MANY} random prescriptions`, () => {
  it(
    'give closed, manifold, outward solids without overlap, as large as the grid and its slices say, as thick as asked along the normal',
    { timeout: 600_000 },
    () => {
      for (let seed = 1; seed <= MANY; seed++) {
        const record = randomPrescription(seed)
        const built = buildDevice(record.feet.left!, 'left', HOUSE_NORMS)
        const { report, mesh } = built.solid
        const name = `seed ${seed}: ${kindsOf(record)}`
        expect(report, name).toMatchObject({
          closed: true,
          manifold: true,
          outward: true,
          selfOverlaps: 0,
        })
        expect(Math.abs(report.volumeMm3 / report.gridVolumeMm3 - 1), name).toBeLessThan(0.005)
        if (seed % 5 === 0)
          expect(Math.abs(sliceVolume(mesh, 0.5) / report.volumeMm3 - 1), name).toBeLessThan(0.005)
        if (seed % 10 === 0)
          for (const p of normalThickness(built))
            if (Math.abs(p.foundMm - p.askedMm) > Math.max(0.1, 0.03 * p.askedMm))
              expect.fail(`${name}: ${JSON.stringify(p)}`)
        if (seed % 15 === 0) {
          const said = admesh(writeStl(inRealSpace(mesh, seed % 2 ? 'left' : 'right'), 'solid'))
          expect(said, name).toMatchObject({ open: 0, mended: 0 })
          expect(Math.abs(said.volumeMm3 / report.volumeMm3 - 1), name).toBeLessThan(0.001)
        }
      }
    },
  )
})

describe('posts and blocks', () => {
  const built = (device: unknown) =>
    buildDevice(referenceRecord(device).feet.left!, 'left', HOUSE_NORMS)
  const at = (b: ReturnType<typeof built>, x: number, y: number) => {
    const { field } = b.surface
    return (
      Math.round((y - field.y[0]!) / field.stepMm) * field.columns +
      Math.round((x - field.x[0]!) / field.stepMm)
    )
  }
  it('the same angle, made either way, puts the heel at the same angle to the floor', () => {
    for (const angleDeg of [-6, 3, 8]) {
      const flat = { at: 'rearfoot', angleDeg: 0 }
      const [outside, inside, cast] = [
        { posts: [{ at: 'rearfoot', angleDeg }] },
        { posts: [{ at: 'rearfoot', style: 'intrinsic', angleDeg }, flat] },
        { castAngleDeg: angleDeg, posts: [flat] },
      ].map((d) => built(d).solid.heelAngleDeg)
      for (const found of [outside!, inside!, cast!])
        expect(Math.abs(found - angleDeg)).toBeLessThan(0.1)
    }
  })
  it('motion grinds the inner half of the base up by its angle', () => {
    const b = built({ posts: [{ at: 'rearfoot', angleDeg: 4, motionDeg: 4 }] })
    const outer = b.body.bottom[at(b, -12.5, 34.5)]!
    const rise = (x: number) => b.body.bottom[at(b, x, 34.5)]! - outer
    expect(rise(-2.5)).toBeCloseTo(0, 9)
    expect(rise(15.5)).toBeCloseTo(15.5 * Math.tan((4 * Math.PI) / 180), 6)
  })
  it('a block is as long as asked, and a mouldable blank stands flat under its heel', () => {
    const b = built({ posts: [{ at: 'rearfoot', angleDeg: 4, lengthMm: 90 }] })
    const isBase = (y: number) => b.body.isBase[at(b, 0.5, y)]
    expect([86.5, 92.5].map(isBase)).toEqual([1, 0])
    const flat = built({ kind: 'heat-moulded' })
    for (const x of [-18.5, 0.5, 18.5]) expect(flat.body.isBase[at(flat, x, 30.5)]).toBe(1)
    expect(flat.solid.stands!.baseGapMm).toBeLessThan(0.1)
    const rocks = built({ kind: 'heat-moulded', heelStabiliser: false })
    expect(rocks.body.bottom[at(rocks, 18.5, 30.5)]!).toBeGreaterThan(rocks.body.floorMm)
  })
  it('a through aperture is a hole: more border, less volume, still closed', () => {
    const [pocket, hole] = [false, true].map(
      (through) =>
        built({ layers: [{ kind: 'heelAperture', xMm: 0, yMm: 35, radiusMm: 12, through }] }).solid
          .report,
    )
    expect(hole).toMatchObject({ closed: true, manifold: true, outward: true })
    // A pocket of pressed sheet is ground off below: what is left in it is what the hole takes.
    expect(pocket!.volumeMm3 - hole!.volumeMm3).toBeGreaterThan(0.8 * Math.PI * 10.5 ** 2 * 1.5)
  })
  it('a cut-out takes the inner front corner away; an accommodation lets it down onto the floor', () => {
    const [cut, down] = ['firstRayCutOut', 'firstRayAccommodation'].map((kind) =>
      built({ layers: [{ kind, depthMm: 6 }] }),
    )
    const { heads } = cut!.surface.field.sole
    const corner = at(cut!, heads[0]!.x + 6, heads[0]!.y - 12)
    expect(cut!.body.inside[corner]!).toBeLessThan(0)
    expect(down!.body.inside[corner]!).toBeGreaterThan(0)
    // It stands on the floor there, and the device as it does without it.
    const near = ([x, y]: [number, number]) =>
      Math.hypot(x - heads[0]!.x - 6, y - heads[0]!.y + 12) < 8
    expect(down!.solid.stands!.onMm.some(near)).toBe(true)
    const [a, c] = [down!, built({})].map((b) => b.solid.stands!.rollDeg)
    expect(Math.abs(a! - c!)).toBeLessThan(0.1)
  })
  it('graded thickness is what was asked under heel, arch and front', () => {
    const b = built({ shell: { thicknessMm: 3, graded: { heelMm: 4.5, archMm: 2.5 } } })
    for (const [y, mm] of [
      [34.5, 4.5],
      [112.5, 2.5],
    ] as const) {
      const near = normalThickness(b).filter((p) => Math.abs(p.yMm - y) < 8)
      expect(near.length).toBeGreaterThan(20)
      for (const p of near) expect(Math.abs(p.foundMm - mm)).toBeLessThan(0.16)
    }
  })
})
