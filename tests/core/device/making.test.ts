import { execFileSync } from 'node:child_process'
import { mkdtempSync, readdirSync, readFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { describe, expect, it } from 'vitest'
import { deviceReport } from '../../../core/advice/deviceReport'
import { buildDevice } from '../../../core/device/buildDevice'
import { milledFromAbove } from '../../../core/device/milling'
import { buildPositive } from '../../../core/device/positive'
import { marked } from '../../../core/device/printMarks'
import { buildSolid, inRealSpace } from '../../../core/device/solid'
import { eachDeviceFile } from '../../../core/formats/deviceFiles'
import { nestedPair } from '../../../core/formats/nestedPair'
import { readMesh } from '../../../core/formats/mesh/readMesh'
import { writeStl } from '../../../core/formats/mesh/writeStl'
import { inspectMesh, type Mesh } from '../../../core/geometry/mesh'
import { LAYERS, layerSchema } from '../../../core/kinds/layers/all'
import { parseWith } from '../../../core/record/parse'
import { deviceSchema, type Device } from '../../../core/record/schema'
import { HOUSE_NORMS } from '../../../core/record/tables'
import { benchRecord as record } from '../../fixtures/benchRecord'
import { admesh } from '../../fixtures/admesh'
import { readMarks } from '../../fixtures/readMarks'
import { kindsOf, randomPrescription } from '../../fixtures/randomDevice'
import { runs } from '../../effort'

const build = (device: object = {}, forefootDeg = 0) =>
  buildDevice(record(forefootDeg, device).feet.left!, 'left', HOUSE_NORMS)
const { field } = build().surface
const positive = (device: object) =>
  buildPositive(field, parseWith(deviceSchema, { outline: { heelCupMm: 14 }, ...device }))
/** Lowest place of a body in a square millimetre. */
function under({ positions }: Mesh, x: number, y: number): number {
  let low = Infinity
  for (let i = 0; i < positions.length; i += 3)
    if (Math.abs(positions[i]! - x) < 0.75 && Math.abs(positions[i + 1]! - y) < 0.75)
      low = Math.min(low, positions[i + 2]!)
  return low
}
const heights = ({ positions }: Mesh) => positions.filter((_, k) => k % 3 === 2)
const highest = (mesh: Mesh) => heights(mesh).reduce((a, b) => Math.max(a, b))

describe('the positive', () => {
  it.each(LAYERS.kinds)('with %s is one closed body that looks outward', (kind) => {
    const { report } = positive({ layers: [layerSchema.parse({ kind })] })
    expect(report).toMatchObject({ closed: true, manifold: true, outward: true })
  })
  it.each([
    ['a skive is cut into the cast', { kind: 'medialSkive', depthMm: 4 }, 19, 34, true],
    ['a relief is added to it', { kind: 'sweetSpot', depthMm: 2, xMm: 0, yMm: 35 }, 0, 35, true],
    ['a pad is glued on later', { kind: 'metPad', heightMm: 5 }, 0, 160, false],
    [
      'an aperture is cut later',
      { kind: 'heelAperture', depthMm: 3, xMm: 0, yMm: 35 },
      0,
      35,
      false,
    ],
  ])('%s', (_, layer, x, y, isThere) => {
    const [bare, made] = [positive({}), positive({ layers: [layer] })]
    const change = Math.abs(under(made.mesh, x, y) - under(bare.mesh, x, y))
    if (isThere) expect(change).toBeGreaterThan(1.2)
    else expect(change).toBe(0)
  })
  it('posts and lifts are set on later; what a post turns is turned in the cast', () => {
    const same = (device: object) =>
      expect(positive(device).mesh.positions).toEqual(positive({}).mesh.positions)
    same({ heelLiftMm: 8 })
    same({ posts: [{ at: 'forefoot', angleDeg: 4 }] })
    expect(
      under(positive({ balance: { pourDeg: 5 } }).mesh, 15, 34) - under(positive({}).mesh, 15, 34),
    ).toBeCloseTo(15 * Math.tan((5 * Math.PI) / 180), 0.5)
  })
  it('has a base of 20 mm, 10 mm over the highest top line, flanges too', () => {
    const bare = positive({})
    // The cup's rim is the highest: 14 mm over the sole.
    expect(highest(bare.mesh)).toBeGreaterThan(14 + 30 - 0.5)
    const flanged = positive({ layers: [{ kind: 'medialFlange', heightMm: 25 }] })
    expect(highest(flanged.mesh)).toBeGreaterThan(highest(bare.mesh) + 8)
  })
  it('carries the trim line as a groove of 0.6 mm', () => {
    const { mesh } = positive({})
    // In front of the edge and behind it the sole is the foot's; on it there is the groove.
    const edgeY = field.sole.headLineY(0) - 5
    const depths = Array.from({ length: 13 }, (_, k) => {
      const y = edgeY - 6 + k
      const own =
        field.z[
          [...field.y.keys()].find(
            (i) => Math.abs(field.x[i]! - 0.5) < 0.1 && Math.abs(field.y[i]! - y) < 0.51,
          )!
        ]!
      return under(mesh, 0.5, y) - own
    })
    expect(Math.max(...depths)).toBeGreaterThan(0.25)
    expect(depths[0]!).toBeLessThan(0.15)
  })
  it('stands off for a cover that is pressed with the shell', () => {
    const device = parseWith(deviceSchema, {})
    const [tight, roomy] = [0, 3].map((mm) => buildPositive(field, device, mm))
    expect(under(tight!.mesh, 0, 35) - under(roomy!.mesh, 0, 35)).toBeCloseTo(3, 1)
  })
  it('of any prescription is a closed body, by another program too', () => {
    for (let seed = 1; seed <= runs(60, 8); seed++) {
      const prescription = randomPrescription(seed)
      const built = buildDevice(prescription.feet.left!, 'left', HOUSE_NORMS)
      const { report, mesh } = buildPositive(built.surface.field, built.device)
      const name = `seed ${seed}: ${kindsOf(prescription)}`
      expect(report, name).toMatchObject({ closed: true, manifold: true, outward: true })
      if (seed % 20 === 0) expect(admesh(writeStl(inRealSpace(mesh, 'left'), 'p')).parts).toBe(1)
    }
  })
})

describe('milling', () => {
  it('leaves standing what a ball cannot reach: a groove narrower than itself, by its closed form', () => {
    // A V groove of slope 1: a ball of radius r touches both flanks r(√2 − 1) over its bottom.
    const z = field.x.map((x) => Math.abs(x))
    const inside = new Float64Array(z.length).fill(5)
    const { missedMm, xMm } = milledFromAbove(field, z, inside, 3)
    expect(Math.abs(xMm)).toBeLessThan(1)
    expect(missedMm).toBeGreaterThan(3 * (Math.SQRT2 - 1) - 0.5 - 0.2)
    expect(missedMm).toBeLessThan(3 * (Math.SQRT2 - 1) + 0.05)
  })
  it('reaches all of a plane and of a hollow wider than the tool', () => {
    const flat = new Float64Array(field.z.length)
    const inside = new Float64Array(field.z.length).fill(5)
    expect(milledFromAbove(field, flat, inside, 3).missedMm).toBe(0)
    const bowl = field.x.map((x, i) => (x * x + (field.y[i]! - 120) ** 2) / 200)
    expect(milledFromAbove(field, bowl, inside, 3).missedMm).toBeLessThan(0.02)
  })
  it('of a block says its size, how it is turned, and where it hangs', () => {
    const device = { shell: { material: 'eva-60', thicknessMm: 6 } }
    const said = deviceReport(record(0, device), 'left', build(device)).making
    if (said.way !== 'milled') throw new Error('EVA is milled')
    expect(said.milling!.stockMm.along).toBeGreaterThan(190)
    expect(said.milling!.tabs).toHaveLength(4)
    expect(said.milling!.tabs.filter((t) => t.xMm > 0)).toHaveLength(2)
  })
})

describe('a printed device', () => {
  const shell = { material: 'pa12', thicknessMm: 3 }
  it.each(['left', 'right'] as const)('carries its side and code, to be read: %s', (side) => {
    const built = build({ shell })
    const solid = buildSolid(marked(built.body, side, 'HR-0172'))
    expect(solid.report).toMatchObject({ closed: true, manifold: true, selfOverlaps: 0 })
    const plain = inRealSpace(built.solid.mesh, side)
    const lines = readMarks(plain, inRealSpace(solid.mesh, side))
    expect(lines).toEqual([side.toUpperCase(), 'HR-0172'])
  })
  it('stands as it did: nothing of it comes near the floor', () => {
    const built = build({ shell })
    const { stands } = buildSolid(marked(built.body, 'left', 'HR-0172'))
    expect(stands!.rollDeg).toBeCloseTo(built.solid.stands!.rollDeg, 9)
    expect(stands!.onMm).toEqual(built.solid.stands!.onMm)
  })
  it('is told how it lies and whether its wall can be printed', () => {
    const thin = { shell: { ...shell, thicknessMm: 0.9 } }
    const said = deviceReport(record(0, thin), 'left', build(thin)).making
    expect(said).toMatchObject({ way: 'printed', printing: { isThick: false } })
  })
})

describe('files', () => {
  const names = (device: object) =>
    [...eachDeviceFile(build(device), 'left', 'HR-1', HOUSE_NORMS)].map((f) => f.name)
  it('a pressed device comes with its positive, a printed one without', () => {
    expect(names({})).toContain('left-positive.stl')
    expect(names({ shell: { material: 'pa12', thicknessMm: 3 } })).not.toContain(
      'left-positive.stl',
    )
  })
  it('the command line tells the positive and writes it', () => {
    const out = mkdtempSync(join(tmpdir(), 'arch-'))
    const said = JSON.parse(
      execFileSync('./arch', [
        'device',
        'demo/records/tove-marchetti.json',
        '--foot',
        'right',
        '--positive',
        '--out',
        out,
      ]).toString(),
    ) as { positive: object; files: string[] }
    expect(said.positive).toMatchObject({ closed: true, manifold: true, outward: true })
    expect(readdirSync(out)).toEqual(expect.arrayContaining(['right-positive.stl']))
    const mesh = readMesh('p.stl', readFileSync(join(out, 'right-positive.stl')))
    expect(inspectMesh(mesh).closed).toBe(true)
  })
  it('a pair lies head to tail without touching, and narrower than side by side', () => {
    const device = (): Device => deviceSchema.parse({})
    const [left, right] = [build(device()), build(device())].map((b, i) =>
      inRealSpace(b.solid.mesh, i === 0 ? 'left' : 'right'),
    )
    const { bodies, widthMm } = nestedPair(left!, right!)
    const wide = (m: Mesh) => {
      const xs = m.positions.filter((_, k) => k % 3 === 0)
      return xs.reduce((a, b) => Math.max(a, b)) - xs.reduce((a, b) => Math.min(a, b))
    }
    expect(widthMm).toBeLessThan(wide(left!) + wide(right!))
    let nearest = Infinity
    const [a, b] = bodies.map((m) => m.positions)
    for (let i = 0; i < a!.length; i += 30)
      for (let j = 0; j < b!.length; j += 30)
        nearest = Math.min(nearest, Math.hypot(a![i]! - b![j]!, a![i + 1]! - b![j + 1]!))
    expect(nearest).toBeGreaterThan(1.5)
  })
})
