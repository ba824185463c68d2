import { HOUSE_NORMS } from '../../../core/record/tables'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { buildDevice, plainDevice, soleFieldOf } from '../../../core/device/buildDevice'
import { contradictionsOf } from '../../../core/advice/contradictions'
import { deviceContours } from '../../../core/device/contours'
import { deviceReport } from '../../../core/advice/deviceReport'
import { cutSection } from '../../../core/device/section'
import { skiveSense } from '../../../core/device/sizeSense'
import { buildSurface } from '../../../core/device/surface'
import { inRealSpace } from '../../../core/device/solid'
import { degrees } from '../../../core/geometry/tilt'
import { inspectMesh, meshVolume } from '../../../core/geometry/mesh'
import { parseWith } from '../../../core/record/parse'
import { deviceSchema } from '../../../core/record/schema'
import { demoModels } from '../../../demo/catalogue'
import { DEMO_RECORDS } from '../../../demo/records'
import { referenceRecord } from '../../fixtures/feet'
import { runs } from '../../effort'

const field = soleFieldOf(referenceRecord().feet.left!, 'left', HOUSE_NORMS).field
const surfaceOf = (device: unknown) => buildSurface(field, parseWith(deviceSchema, device))
const built = (device: unknown) =>
  buildDevice(referenceRecord(device).feet.left!, 'left', HOUSE_NORMS)

describe('layers', () => {
  it.each([
    ['medialSkive', { depthMm: 3 }, 3],
    ['medialSkive', { depthMm: 2 }, 2],
    ['lateralSkive', { depthMm: 4 }, 4],
    ['threePlaneShave', { depthMm: 3 }, 3],
    ['metPad', { heightMm: 4 }, 4],
    ['archFill', { level: 'full' }, 4.5],
    ['fifthMetSupport', { heightMm: 2 }, 2],
    ['cuboidSupport', { heightMm: 3 }, 3],
  ])('%s reaches what was asked within 0.05 mm', (kind, amounts, asked) => {
    const [layer] = surfaceOf({ layers: [{ kind, ...amounts }] }).layers
    expect(layer!.askedMm).toBe(asked)
    expect(Math.abs(layer!.peakMm - asked)).toBeLessThan(0.05)
  })
  it('puts the skive in the inner third of the heel and the pad behind heads 2 and 3', () => {
    const [pad, skive] = surfaceOf({
      layers: [{ kind: 'medialSkive' }, { kind: 'metPad', behindHeadsMm: 8 }],
    }).layers
    expect(skive!.at!.xMm).toBeGreaterThan(65 / 6)
    expect(skive!.at!.yMm).toBeLessThan(0.2 * 265)
    const front = (field.sole.heads[1]!.y + field.sole.heads[2]!.y) / 2 - 8
    expect(Math.abs(pad!.at!.yMm - (front - 27))).toBeLessThan(1)
    expect(pad!.change.every((z, i) => z === 0 || field.y[i]! <= front)).toBe(true)
  })
  it('does nothing when switched off, at 0 mm, or when there is none', () => {
    const plain = surfaceOf({})
    for (const layers of [
      [{ kind: 'medialSkive', on: false }],
      [{ kind: 'medialSkive', depthMm: 0 }],
      [],
    ])
      expect(surfaceOf({ layers }).top).toEqual(plain.top)
  })
  it('grows with its amount everywhere', () => {
    const [small, big] = [2, 3].map(
      (depthMm) => surfaceOf({ layers: [{ kind: 'metPad', heightMm: depthMm }] }).layers[0]!.change,
    )
    expect(small!.every((z, i) => z <= big![i]! + 1e-9)).toBe(true)
  })
})

describe('the solid', () => {
  const full = {
    layers: [
      { kind: 'archFill' },
      { kind: 'medialSkive', depthMm: 3 },
      { kind: 'metPad', heightMm: 4 },
    ],
    posts: [{ at: 'rearfoot', angleDeg: 4 }],
  }
  const device = built(full)
  it("is closed, manifold, outward, without overlaps, and its volume is the grid's within 0.5 %", () => {
    const { report } = device.solid
    expect(report).toMatchObject({ closed: true, manifold: true, outward: true, selfOverlaps: 0 })
    expect(Math.abs(report.volumeMm3 / report.gridVolumeMm3 - 1)).toBeLessThan(0.005)
  })
  it.each(['extrinsic', 'intrinsic'])(
    'turns the heel by a 4° %s post within 0.1° on the mesh, where a flat block steadies it',
    (style) => {
      const flat = { at: 'rearfoot', angleDeg: 0 }
      const posts = [{ at: 'rearfoot', style, angleDeg: 4 }, flat]
      expect(Math.abs(built({ posts }).solid.heelAngleDeg! - 4)).toBeLessThan(0.1)
    },
  )
  it('stands an extrinsic post on a flat base parallel to the floor, at the asked angle under the heel', () => {
    const plain = built({})
    const posted = built({ posts: [{ at: 'rearfoot', angleDeg: 4 }] })
    const i = (x: number) => field.x.findIndex((fx, k) => fx === x && field.y[k] === 34.5)
    const [m, l] = [i(20.5), i(-20.5)]
    // Level across, and flat on the floor together with the front edge.
    expect(posted.body.bottom[m]).toBeCloseTo(posted.body.bottom[l]!, 9)
    expect(posted.solid.stands!.baseGapMm).toBeLessThan(0.1)
    expect(Math.abs(posted.solid.stands!.rollDeg)).toBeLessThan(0.05)
    const rise = (b: typeof plain) => b.body.top[m]! - b.body.top[l]!
    expect(degrees(Math.atan((rise(posted) - rise(plain)) / 41))).toBeCloseTo(4, 1)
    expect(Math.min(...posted.solid.mesh.positions.filter((_, k) => k % 3 === 2))).toBeCloseTo(0, 9)
  })
  it("is the mirror of the other foot's for the same record", () => {
    const left = inRealSpace(device.solid.mesh, 'left')
    const right = inRealSpace(
      buildDevice(referenceRecord(full).feet.right!, 'right', HOUSE_NORMS).solid.mesh,
      'right',
    )
    expect(meshVolume(right)).toBeCloseTo(meshVolume(left), 6)
    expect(inspectMesh(right).outward).toBe(true)
    expect(
      left.positions.every((v, i) =>
        i % 3 === 0 ? v === -right.positions[i]! : v === right.positions[i]!,
      ),
    ).toBe(true)
  })
  it.each([8, 14, 18])('has a heel cup %i mm deep', (heelCupMm) => {
    const { body } = built({ outline: { heelCupMm } })
    const rim = cutSection(body, 30).top.filter((z): z is number => z !== null)
    expect(Math.abs(rim[0]! - Math.min(...rim) - heelCupMm)).toBeLessThan(0.6)
  })
  it('is as thick as asked where it is flat', () => {
    const { body } = built({ shell: { thicknessMm: 3 } })
    const i = field.x.findIndex((x, k) => x === 0.5 && field.y[k] === 34.5)
    expect(body.top[i]! - body.bottom[i]!).toBeCloseTo(3, 2)
  })
  it('stays sound for any sensible prescription', () =>
    fc.assert(
      fc.property(
        fc.record({
          thickness: fc.double({ min: 1.5, max: 8, noNaN: true }),
          cup: fc.integer({ min: 6, max: 18 }),
          post: fc.integer({ min: -8, max: 8 }),
          skive: fc.double({ min: 0, max: 6, noNaN: true }),
          pad: fc.double({ min: 0, max: 6, noNaN: true }),
          fill: fc.double({ min: 0, max: 5, noNaN: true }),
        }),
        ({ thickness, cup, post, skive, pad, fill }) => {
          const { report } = built({
            layers: [
              { kind: 'archFill', amountMm: fill },
              { kind: 'medialSkive', depthMm: skive },
              { kind: 'metPad', heightMm: pad },
            ],
            posts: [{ at: 'rearfoot', angleDeg: post }],
            outline: { heelCupMm: cup },
            shell: { thicknessMm: thickness },
          }).solid
          return (
            report.closed &&
            report.manifold &&
            report.outward &&
            report.selfOverlaps === 0 &&
            Math.abs(report.volumeMm3 / report.gridVolumeMm3 - 1) < 0.005
          )
        },
      ),
      { numRuns: runs(12) },
    ))
})

describe('what is said of a device', () => {
  it('shows size sense, post height and space against footwear', () => {
    const record = DEMO_RECORDS['tove-marchetti']!
    const report = deviceReport(
      record,
      'right',
      buildDevice(record.feet.right!, 'right', HOUSE_NORMS),
      demoModels()[0],
    )
    expect(report.posts[0]!.heightMm).toBeCloseTo(64 * Math.tan((4 * Math.PI) / 180), 6)
    // A pad of 4 mm on a shell of 3 under a cover of 2: the ball has 8 mm in these boots.
    expect(report.stackMm.ballMm).toBeGreaterThan(8)
    expect(report.space!.ballMm).toBeCloseTo(8 - report.stackMm.ballMm, 9)
    expect(skiveSense(3, 52).asOnReferenceMm).toBeCloseTo(3.75, 9)
    expect(report.solid.massG).toBeCloseTo(report.solid.volumeMm3 * 0.00091, 6)
  })
  it('names contradictions', () => {
    const codes = (device: unknown, extra = {}) =>
      contradictionsOf(referenceRecord(device, extra)).map((c) => c.code)
    expect(codes({ layers: [{ kind: 'metPad', behindHeadsMm: -3 }] })).toContain('pad-under-heads')
    expect(
      codes({ layers: [{ kind: 'medialSkive' }] }, { story: { conditions: ['neuropathy'] } }),
    ).toContain('skive-on-insensate')
    expect(codes({ layers: [{ kind: 'firstRayCutOut' }] })).toContain('cut-out-without-post')
    expect(codes({ shell: { thicknessMm: 9 } })).toContain('outside-usual')
    expect(codes({})).toEqual([])
  })
  it('draws rings at the stated interval, in order', () => {
    const heights = deviceContours(built({}).body, 2).map((r) => r.heightMm)
    expect(heights.every((h, i) => i === 0 || h - heights[i - 1]! === 2)).toBe(true)
    expect(plainDevice().layers).toEqual([])
  })
})
