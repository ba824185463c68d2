import { describe, expect, it } from 'vitest'
import { deviceReport } from '../../../core/advice/deviceReport'
import { buildDevice } from '../../../core/device/buildDevice'
import { deviceLines } from '../../../core/device/deviceWords'
import { buildSolid } from '../../../core/device/solid'
import { stackHeights } from '../../../core/device/space'
import { eachDeviceFile } from '../../../core/formats/deviceFiles'
import { inspectMesh } from '../../../core/geometry/mesh'
import { readMesh } from '../../../core/formats/mesh/readMesh'
import { deviceSchema } from '../../../core/record/schema'
import { HOUSE_NORMS } from '../../../core/record/tables'
import { benchRecord as record } from '../../fixtures/benchRecord'

const build = (forefootDeg: number, device: object = {}) =>
  buildDevice(record(forefootDeg, device).feet.left!, 'left', HOUSE_NORMS)
type Built = ReturnType<typeof build>
const lines = (device: object) => deviceLines(record(0, device).feet.left!, HOUSE_NORMS)
/** Is there a base under a place of the heel? */
const isBase = ({ body, surface: { field } }: Built, x: number, y: number) =>
  body.isBase[
    [...field.x.keys()].find(
      (i) => Math.abs(field.x[i]! - x) < 0.6 && Math.abs(field.y[i]! - y) < 0.6,
    )!
  ] === 1

describe('a post', () => {
  it.each([
    ['medial', true, false],
    ['lateral', false, true],
    ['whole', true, true],
  ])('of the %s half stands there and nowhere else', (half, inner, outer) => {
    const b = build(0, { posts: [{ at: 'rearfoot', angleDeg: 4, half }] })
    expect([isBase(b, 12, 30), isBase(b, -12, 30)]).toEqual([inner, outer])
  })
  it('is told with its half, its material and its hardness; flat ones too, and none of nothing', () => {
    const post = { at: 'rearfoot', angleDeg: 4, half: 'medial', material: 'eva-60', shoreA: 50 }
    expect(lines({ posts: [{ ...post, glued: true }] }).join('\n')).toMatch(
      /Rearfoot post 4° varus, extrinsic.*medial half, High-density EVA, Shore A 50, glued on/,
    )
    expect(lines({ posts: [{ at: 'rearfoot', angleDeg: 0 }] }).join('\n')).toContain(
      'Rearfoot post flat, 0°',
    )
    expect(lines({ posts: [{ at: 'forefoot', angleDeg: 0 }] }).join('\n')).not.toContain('Forefoot')
  })
  it('two of them are two: their angles add, and a long half reaches beyond a short whole', () => {
    const posts = [
      { at: 'rearfoot', angleDeg: 2, lengthMm: 60 },
      { at: 'rearfoot', angleDeg: 2, lengthMm: 95, half: 'medial' },
    ]
    const b = build(0, { posts })
    expect(b.surface.rearfootTiltDeg).toBe(4)
    expect([isBase(b, 12, 80), isBase(b, -12, 80)]).toEqual([true, false])
  })
  it('that is glued on is a body of its own, closed, and the shell comes without it', () => {
    const post = { at: 'rearfoot', angleDeg: 4, material: 'eva-60' }
    const [one, two] = [
      build(0, { posts: [post] }),
      build(0, { posts: [{ ...post, glued: true }] }),
    ]
    const [block] = two.solid.glued
    expect(block!.report).toMatchObject({ closed: true, manifold: true, outward: true })
    expect(two.solid.report).toMatchObject({ closed: true, manifold: true, outward: true })
    const together = two.solid.report.volumeMm3 + block!.report.volumeMm3
    expect(together / one.solid.report.volumeMm3).toBeCloseTo(1, 1.5)
    // They stand alike: what is glued on carries as well.
    expect(two.solid.stands).toEqual(one.solid.stands)
  })
  it('glued on leaves as a file of its own, in the same frame', () => {
    const built = build(0, { posts: [{ at: 'rearfoot', angleDeg: 4, glued: true }] })
    const files = [...eachDeviceFile(built, 'left', 'HR-1', HOUSE_NORMS)]
    const mesh = readMesh('x.stl', files.find((f) => f.name === 'left-post-1.stl')!.bytes)
    expect(inspectMesh(mesh).closed).toBe(true)
    const lowest = mesh.positions.filter((_, k) => k % 3 === 2).reduce((a, b) => Math.min(a, b))
    expect(lowest).toBeCloseTo(0, 2)
  })
  it('below the ball is the same body, whatever else was cut meanwhile', () => {
    const device = { posts: [{ at: 'forefoot', angleDeg: 5, glued: true }] }
    const built = build(5, device)
    build(0, { outline: { distal: { behindHeadsMm: 12 } } })
    const again = buildSolid(built.body)
    expect(again.glued[0]!.report).toEqual(built.solid.glued[0]!.report)
    expect(again.glued[0]!.report).toMatchObject({ closed: true, manifold: true, outward: true })
  })
  it('weighs what its own material weighs', () => {
    const massOf = (device: object) =>
      deviceReport(record(0, device), 'left', build(0, device)).solid.massG!
    const [own, foam, glued] = [
      {},
      { material: 'eva-60' },
      { material: 'eva-60', glued: true },
    ].map((more) => massOf({ posts: [{ at: 'rearfoot', angleDeg: 4, ...more }] }))
    expect(foam!).toBeLessThan(own!)
    expect(Math.abs(glued! - foam!)).toBeLessThan(0.03 * foam!)
  })
})

describe('balance and the inverted technique', () => {
  it('are two fields: the earlier name of the pour is read, and both are named', () => {
    expect(deviceSchema.parse({ castAngleDeg: 3 }).balance.pourDeg).toBe(3)
    expect(deviceSchema.parse({ balance: { pourDeg: 2 }, castAngleDeg: 3 }).balance.pourDeg).toBe(2)
    const said = lines({ balance: { pourDeg: 2 }, inverted: { castDeg: 25, expectedHeelDeg: 5 } })
    expect(said.join('\n')).toMatch(/poured at 2° inverted to the floor/)
    expect(said.join('\n')).toMatch(/Inverted technique: cast 25°, about 5° expected at the heel/)
  })
  it('a device that went through the record twice is the same', () => {
    const once = deviceSchema.parse({
      castAngleDeg: 3,
      heelLift: { mm: 6, lengthMm: 80, half: 'medial', in: 'shell' },
    })
    expect(once).toMatchObject({ heelLiftMm: 6, liftTaperMm: 80, heelLift: { half: 'medial' } })
    expect(deviceSchema.parse(once)).toEqual(once)
  })
  it.each([15, 25, 35])(
    'a cast inverted by %d° turns the heel, keeps the arch within 2 mm and the ball level',
    (castDeg) => {
      const [plain, inverted] = [build(4), build(4, { inverted: { castDeg } })]
      const { field } = plain.surface
      const at = (x: number, y: number) =>
        [...field.x.keys()].find(
          (i) => Math.abs(field.x[i]! - x) < 0.51 && Math.abs(field.y[i]! - y) < 0.51,
        )!
      const rise = (b: Built, x: number, y: number) => b.surface.top[at(x, y)]!
      // Across the flat middle of the heel it is as steep as it was turned.
      const slope = (rise(inverted, 8, 34) - rise(inverted, -8, 34)) / 16
      const was = (rise(plain, 8, 34) - rise(plain, -8, 34)) / 16
      const turned = (Math.atan(slope - was) * 180) / Math.PI
      expect(turned).toBeGreaterThan(0.6 * castDeg)
      expect(turned).toBeLessThan(1.2 * castDeg)
      for (let i = 0; i < field.x.length; i++)
        if (field.mask[i] && field.s[i]! > 0.32 && field.s[i]! < 0.55 && field.u[i]! > 0.75)
          expect(inverted.surface.top[i]! - plain.surface.top[i]!).toBeLessThan(2.01)
      const [first, , , , fifth] = field.sole.heads
      const level = (rise(inverted, first!.x, 188) - rise(inverted, fifth!.x, 168)) / 66
      expect(Math.abs(level)).toBeLessThan(0.03)
    },
  )
})

describe('an inverted cast over a forefoot of 4°', () => {
  const rollOf = (device: object) => build(4, device).solid.stands!.rollDeg
  const inverted = { inverted: { castDeg: 25 } }
  const flat = { at: 'rearfoot', angleDeg: 0 }
  it.each([
    ['by its own platform', {}],
    ['by a wedge below instead', { at: 'forefoot', angleDeg: 4 }],
    ['by a post cast in instead', { at: 'forefoot', style: 'intrinsic', angleDeg: 4 }],
  ])('stands level %s, and is not held twice', (_, post) => {
    const posts = 'at' in post ? [flat, post] : [flat]
    expect(Math.abs(rollOf({ ...inverted, posts }))).toBeLessThan(1)
  })
})

describe('a lift', () => {
  const heelMm = (device: object) => {
    const { body, device: d } = build(0, device)
    return stackHeights(body, d).heelMm
  }
  it('in the cover raises the heel and leaves the shell alone', () => {
    const [plain, raised] = [build(0), build(0, { heelLiftMm: 6, heelLift: { in: 'cover' } })]
    expect(raised.body.bottom).toEqual(plain.body.bottom)
    expect(heelMm({ heelLiftMm: 6, heelLift: { in: 'cover' } }) - heelMm({})).toBeCloseTo(6, 6)
  })
  it('under the inner half stands there only, and the device tells that it does not stand', () => {
    const b = build(0, { heelLiftMm: 6, heelLift: { half: 'medial' } })
    expect([isBase(b, 12, 30), isBase(b, -12, 30)]).toEqual([true, false])
    expect(lines({ heelLiftMm: 6, heelLift: { half: 'medial' } }).join('\n')).toContain(
      'Heel lift 6 mm, medial half',
    )
  })
})
