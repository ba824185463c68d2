import { describe, expect, it } from 'vitest'
import { buildDevice } from '../../../core/device/buildDevice'
import { inRealSpace } from '../../../core/device/solid'
import { writeStl } from '../../../core/formats/mesh/writeStl'
import { deviceReport } from '../../../core/advice/deviceReport'
import { stackHeights } from '../../../core/device/space'
import { isSteady, waysToStand } from '../../../core/device/waysToStand'
import { HOUSE_NORMS } from '../../../core/record/tables'
import { benchRecord as record } from '../../fixtures/benchRecord'
import { heightOver, onTheBench } from '../../fixtures/flatBench'
import { kindsOf, randomPrescription } from '../../fixtures/randomDevice'
import type { Mesh } from '../../../core/geometry/mesh'
import { runs } from '../../effort'

const build = (forefootDeg: number, device: object = {}) =>
  buildDevice(record(forefootDeg, device).feet.left!, 'left', HOUSE_NORMS)
type Built = ReturnType<typeof build>
const MICROMETRE = 1e-3
const LOAD = [0, 0.357 * 265] as const
/** As it lies on the bench, from its file alone. */
const lies = ({ solid }: Built, at: readonly [number, number] = LOAD) =>
  onTheBench(writeStl(inRealSpace(solid.mesh, 'left'), 'device'), at)

const wedge = (angleDeg: number) => ({ posts: [{ at: 'forefoot', angleDeg }] })
const platform = { layers: [{ kind: 'intrinsicForefootPost' }] }
const flatPost = { at: 'rearfoot', angleDeg: 0 }
const skive = { kind: 'medialSkive', depthMm: 4 }

/** A device with the blocks that are glued on, as it lies on the bench. */
function whole({ mesh, glued }: Built['solid']): Mesh {
  const bodies = [mesh, ...glued.map((g) => g.mesh)]
  const positions: number[] = []
  const triangles: number[] = []
  for (const body of bodies) {
    const first = positions.length / 3
    for (const v of body.positions) positions.push(v)
    for (const k of body.triangles) triangles.push(first + k)
  }
  return { positions: Float64Array.from(positions), triangles: Uint32Array.from(triangles) }
}

describe('on a flat bench', () => {
  it.each<[string, number, object, [number, number]]>([
    ['a level forefoot stands level', 0, {}, [-0.3, 0.3]],
    ['7° of varus, bare, fall to the inner side', 7, {}, [3.5, 7]],
    ['7° of varus over a wedge of 7° stand level', 7, wedge(7), [-0.5, 0.5]],
    ['a wedge of 4° leaves 3° of 7°', 7, wedge(4), [2.5, 3.5]],
    ['6° of valgus over a wedge of -6° stand level', -6, wedge(-6), [-0.5, 0.5]],
    ['7° of varus with a platform stand level', 7, platform, [-0.5, 0.5]],
    ['6° of valgus with a platform stand level', -6, platform, [-0.5, 0.5]],
    [
      'a skive over a flat post stands level',
      0,
      { layers: [skive], posts: [flatPost] },
      [-0.2, 0.2],
    ],
    [
      'a corner let down to the floor turns nothing',
      0,
      { layers: [{ kind: 'firstRayAccommodation', depthMm: 4 }] },
      [-0.3, 0.3],
    ],
  ])('%s', (_, forefootDeg, device, [from, to]) => {
    const { rollDeg } = lies(build(forefootDeg, device))
    expect(rollDeg).toBeGreaterThanOrEqual(from)
    expect(rollDeg).toBeLessThanOrEqual(to)
  })
  it('a bare skive of 4 mm rocks, and says so; with a flat post it does not', () => {
    const bare = build(0, { layers: [skive] })
    const [inner, outer] = [5, -5].map((x) => lies(bare, [x, LOAD[1]]).rollDeg)
    expect(Math.abs(inner! - outer!)).toBeGreaterThan(1.5)
    expect(bare.solid.stands!.rocks).toBe(true)
    expect(bare.solid.stands!.words).toContain('rocks')
    expect(build(0, { layers: [skive], posts: [flatPost] }).solid.stands!.rocks).toBe(false)
  })
  it.each([
    ['a platform', platform],
    ['a wedge below', wedge(7)],
  ])('%s leaves the heel as it was balanced', (_, device) =>
    expect(Math.abs(build(7, device).solid.heelAngleDeg!)).toBeLessThan(0.5),
  )
  it('a platform of 3° and a wedge of 4° hold 7° together', () => {
    const both = { layers: [{ kind: 'intrinsicForefootPost', angleDeg: 3 }], ...wedge(4) }
    expect(Math.abs(lies(build(7, both)).rollDeg)).toBeLessThan(0.5)
  })
  it('motion is ground up to let the heel roll: it is no base that hangs, and no fault', () => {
    const posts = [{ at: 'rearfoot', angleDeg: 4, motionDeg: 4 }]
    expect(build(0, { posts }).solid.stands!.baseGapMm).toBeLessThan(1)
    const said = deviceReport(record(0, { posts }), 'left', build(0, { posts }))
    const faults = ['rocks', 'hangs', 'stands-on-an-edge', 'falls-over']
    expect(said.contradictions.filter((c) => faults.includes(c.code))).toEqual([])
  })
  it('a sentence about rocking names the roll that it rests on', () => {
    const bare = { layers: [skive] }
    const { contradictions } = deviceReport(record(0, bare), 'left', build(0, bare))
    const { words, figures } = contradictions.find((c) => c.code === 'rocks')!
    const { value, limit } = figures[0]! as { value: number; limit: number }
    expect(value).toBeGreaterThan(limit)
    expect(words).toContain(`rocks by ${value.toFixed(1)}°`)
  })
  it('a wedge below leaves the top as it is', () => {
    const [bare, wedged] = [build(7), build(7, wedge(7))]
    expect(wedged.surface.top).toEqual(bare.surface.top)
    expect(wedged.body.top).toEqual(bare.body.top)
  })
  it('a wedge is as high at its high side as its angle makes it over the width, and thin at the other', () => {
    for (const angleDeg of [7, -6]) {
      const { body, surface } = build(angleDeg, wedge(angleDeg))
      const { field } = surface
      const heights = (side: number) => {
        const head = field.sole.heads[side]!
        return [...body.bottom.keys()]
          .filter((i) => body.isBase[i] && Math.abs(field.x[i]! - head.x) < 1)
          .map((i) => body.shellBottom[i]! - body.bottom[i]!)
      }
      const [high, low] = angleDeg > 0 ? [0, 4] : [4, 0]
      const across = 66 * Math.tan((Math.abs(angleDeg) * Math.PI) / 180)
      expect(Math.abs(Math.max(...heights(high)) - across)).toBeLessThan(3)
      expect(Math.min(...heights(low))).toBeLessThan(2)
    }
  })
  it('a platform only takes away, and leaves the heel as it was', () => {
    const [bare, level] = [build(7), build(7, platform)]
    for (const [i, z] of level.surface.top.entries())
      expect(z).toBeLessThanOrEqual(bare.surface.top[i]! + 1e-9)
    const heel = [...level.surface.field.s.keys()].filter((i) => level.surface.field.s[i]! < 0.3)
    for (const i of heel) expect(level.surface.top[i]).toBe(bare.surface.top[i])
  })
  it('a rearfoot post is measured by how the heel stands with and without it', () => {
    const said = deviceReport(
      record(0, { posts: [{ at: 'rearfoot', angleDeg: 4 }] }),
      'left',
      build(0, { posts: [{ at: 'rearfoot', angleDeg: 4 }] }),
    )
    expect(Math.abs(said.posts[0]!.achievedDeg! - 4)).toBeLessThan(0.5)
    expect(said.stands!.heelToFloorDeg).toBe(said.heelAngleDeg)
    const front = deviceReport(record(7, wedge(7)), 'left', build(7, wedge(7)))
    const { rollDeg } = lies(build(7))
    expect(Math.abs(front.posts[0]!.achievedDeg! - rollDeg)).toBeLessThan(0.3)
  })
  it('says of any prescription what a bench says of its file', () => {
    const many = runs(160, 20)
    for (let seed = 1; seed <= many; seed++) {
      const prescription = randomPrescription(seed)
      const built = buildDevice(prescription.feet.left!, 'left', HOUSE_NORMS)
      const { stands } = built.solid
      if (!stands) continue
      const stl = writeStl(whole(built.solid), 'd')
      const at = [0, 0.357 * built.surface.field.sole.parameters.lengthMm] as const
      const found = onTheBench(stl, at)
      const name = `seed ${seed}: ${kindsOf(prescription)}`
      // No bench below it lies higher under the load than the one that the tool names.
      expect(heightOver(stl, at, stands), name).toBeGreaterThan(
        heightOver(stl, at, found) - MICROMETRE,
      )
      // One that rocks may lie on the bench either way.
      if (stands.rocks) continue
      expect(Math.abs(found.rollDeg - stands.rollDeg), name).toBeLessThan(0.2)
      expect(Math.abs(found.pitchDeg - stands.pitchDeg), name).toBeLessThan(0.2)
    }
  })
})

describe('a device that does not stand', () => {
  const rows = HOUSE_NORMS
  it('is told once, with what is wrong; one that stands is not', () => {
    const codes = (forefootDeg: number, device: object = {}) =>
      deviceReport(record(forefootDeg, device), 'left', build(forefootDeg, device))
        .contradictions.map((c) => c.code)
        .filter((code) => ['rocks', 'stands-on-an-edge', 'hangs', 'falls-over'].includes(code))
    expect(codes(0)).toEqual([])
    expect(codes(7, platform)).toEqual([])
    expect(codes(7)).toHaveLength(1)
    expect(codes(7, wedge(4))).toEqual(['stands-on-an-edge'])
    expect(codes(0, { layers: [skive] })).toEqual(['rocks'])
    expect(codes(7, { kind: 'none' })).toEqual([])
  })
  it.each([
    [7, 0],
    [-6, 0],
    [3, 3],
    [0, 4],
    [-4, 2],
    [8, 4],
  ])(
    'with a forefoot of %d° and a skive of %d mm stands after its ways out are taken',
    (phi, mm) => {
      const layers = mm ? [{ kind: 'medialSkive', depthMm: mm }] : []
      const foot = record(phi, { layers }).feet.left!
      for (let turn = 0; ; turn++) {
        const built = buildDevice(foot, 'left', rows)
        const [way] = waysToStand(built.solid.stands, built.device, phi)
        if (isSteady(built.solid.stands, built.device)) break
        expect(turn).toBeLessThan(4)
        expect(way, `${phi}°, ${mm} mm, turn ${turn}`).toBeDefined()
        foot.device = way!.device
      }
      expect(Math.abs(lies(buildDevice(foot, 'left', rows)).rollDeg)).toBeLessThan(1.05)
    },
  )
  it('that stands is offered nothing', () => {
    const { solid, device } = build(0)
    expect(waysToStand(solid.stands, device, 0)).toEqual([])
  })
})

describe('a heel lift', () => {
  /** Height of the top over the straight line from the heel's lowest point to the front edge, mm. */
  function archOverChord({ body, surface }: Built): number {
    const { field } = surface
    const at = (x: number, y: number) =>
      body.top[
        [...field.x.keys()].find(
          (i) => Math.abs(field.x[i]! - x) < 0.51 && Math.abs(field.y[i]! - y) < 0.51,
        )!
      ]!
    const [heelY, archY, frontY] = [34.5, 112.5, 186.5]
    const chord =
      at(0.5, heelY) + ((archY - heelY) / (frontY - heelY)) * (at(0.5, frontY) - at(0.5, heelY))
    return at(20.5, archY) - chord
  }
  it('leaves the arch over heel and front edge as it was, and turns no heel', () => {
    const [plain, lifted] = [build(0), build(0, { heelLiftMm: 12 })]
    expect(Math.abs(archOverChord(lifted) - archOverChord(plain))).toBeLessThan(0.3)
    expect(Math.abs(lifted.solid.heelAngleDeg!)).toBeLessThan(0.3)
    expect(Math.abs(lies(lifted).rollDeg)).toBeLessThan(0.3)
    expect(lifted.solid.stands!.rocks).toBe(false)
  })
  it('is as high under the heel as asked, and runs out at the front edge without a step', () => {
    const [plain, lifted] = [build(0), build(0, { heelLiftMm: 12 })]
    const heel = ({ body, device }: Built) => stackHeights(body, device).heelMm
    expect(Math.abs(heel(lifted) - heel(plain) - 12)).toBeLessThan(0.6)
    const { body, surface } = lifted
    const { field } = surface
    const under = [...field.y.keys()]
      .filter((i) => Math.abs(field.x[i]! - 0.5) < 0.01 && body.inside[i]! > 1 && field.y[i]! > 20)
      .map((i) => body.bottom[i]! - body.floorMm)
    for (let k = 1; k < under.length; k++)
      expect(Math.abs(under[k]! - under[k - 1]!)).toBeLessThan(1)
  })
  it('of a stated length fills so far and no further', () => {
    const { body, surface } = build(0, { heelLiftMm: 8, liftTaperMm: 40 })
    const { field } = surface
    const baseAt = (y: number) =>
      [...field.y.keys()].some((i) => body.isBase[i] && Math.abs(field.y[i]! - y) < 0.6)
    expect([90, 115].map(baseAt)).toEqual([true, false])
  })
})
