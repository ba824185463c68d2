import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { deviceReport } from '../../../core/advice/deviceReport'
import { buildDevice } from '../../../core/device/buildDevice'
import { cupDepth } from '../../../core/device/cupDepth'
import { leastThickness } from '../../../core/device/leastThickness'
import { inRealSpace } from '../../../core/device/solid'
import { stackHeights } from '../../../core/device/space'
import { writeStl } from '../../../core/formats/mesh/writeStl'
import { HOUSE_NORMS } from '../../../core/record/tables'
import { onTheBench, stlPoints } from '../../fixtures/flatBench'
import { benchRecord as record } from '../../fixtures/benchRecord'
import { runs } from '../../effort'

const build = (forefootDeg: number, device: object = {}) =>
  buildDevice(record(forefootDeg, device).feet.left!, 'left', HOUSE_NORMS)
type Built = ReturnType<typeof build>
const nylon = { material: 'pa12', thicknessMm: 3 }

/** Top and underside of the file alone, by the square millimetre. */
function column({ solid }: Built, x: number, y: number): { top: number; bottom: number } {
  const points = stlPoints(writeStl(inRealSpace(solid.mesh, 'left'), 'd'))
  const z: number[] = []
  for (let i = 0; i < points.length; i += 3)
    if (Math.abs(points[i]! - x) < 0.75 && Math.abs(points[i + 1]! - y) < 0.75)
      z.push(points[i + 2]!)
  return { top: Math.max(...z), bottom: Math.min(...z) }
}
const lies = ({ solid }: Built) =>
  onTheBench(writeStl(inRealSpace(solid.mesh, 'left'), 'd'), [0, 0.357 * 265])

describe('what lies on the shell', () => {
  it.each([
    ['a met pad', { kind: 'metPad', heightMm: 5 }],
    ['a met bar', { kind: 'metBar', heightMm: 6 }],
    ['a pad for a nerve', { kind: 'nerveSpreadPad' }],
    ['an extension under the first ray', { kind: 'firstRayExtension' }],
    ['a raise under heads 2 to 5', { kind: 'raiseTwoToFive' }],
    ['a cushion in the heel', { kind: 'heelCushion' }],
  ])('%s raises the top and leaves the underside alone', (_, layer) => {
    const [bare, padded] = [build(0), build(0, { layers: [layer] })]
    const moved = padded.body.bottom.map((z, i) => Math.abs(z - bare.body.bottom[i]!))
    expect(Math.max(...moved)).toBeLessThan(1e-9)
    const rise = padded.body.top.map((z, i) => z - bare.body.top[i]!)
    expect(Math.max(...rise)).toBeGreaterThan(1)
    expect(Math.abs(lies(padded).rollDeg - lies(bare).rollDeg)).toBeLessThan(0.02)
  })
  it('a pad of 5 on a bar of 6 take 11 more under the ball', () => {
    const layers = [
      { kind: 'metPad', heightMm: 5 },
      { kind: 'metBar', heightMm: 6, behindHeadsMm: 21 },
    ]
    const ball = (d: object) => {
      const { body, device } = build(0, d)
      return stackHeights(body, device).ballMm
    }
    expect(Math.abs(ball({ layers }) - ball({}) - 11)).toBeLessThan(0.3)
  })
})

const THICK = { polypropylene: 4, pa12: 3, carbon: 2, 'eva-60': 6, cork: 6 }
const MATERIALS = Object.keys(THICK) as (keyof typeof THICK)[]

describe('a pad', () => {
  const padOf = (foot: object, layer: object) => {
    const built = buildDevice(
      { ...record(0, { layers: [{ kind: 'metPad', ...layer }] }).feet.left!, ...foot },
      'left',
      HOUSE_NORMS,
    )
    const { field, layers } = built.surface
    const cells = [...layers[0]!.change.keys()].filter((i) => layers[0]!.change[i]! > 0.05)
    const [xs, ys] = [cells.map((i) => field.x[i]!), cells.map((i) => field.y[i]!)]
    const size = (v: number[]) => Math.max(...v) - Math.min(...v)
    return { across: size(xs), along: size(ys), middleX: (Math.max(...xs) + Math.min(...xs)) / 2 }
  }
  it('has a size, and lies as far to the side as it was shifted', () => {
    const [usual, big] = [padOf({}, {}), padOf({}, { sizePercent: 130, medialMm: 6 })]
    expect(big.across / usual.across).toBeCloseTo(1.3, 1)
    expect(big.along / usual.along).toBeCloseTo(1.3, 1)
    expect(big.middleX - usual.middleX).toBeCloseTo(6, 0)
  })
  it('is small in a small foot', () => {
    const reading = (what: string, mm: number) => ({
      what,
      posture: 'standing',
      trials: [mm, mm],
      struck: [],
    })
    const readings = [reading('footLengthMm', 190), reading('forefootWidthMm', 74)]
    const [small, usual] = [padOf({ readings }, {}), padOf({}, {})]
    expect(small.across / usual.across).toBeCloseTo(0.74, 1)
    expect(small.along / usual.along).toBeCloseTo(190 / 265, 1)
  })
})

describe('a hollow', () => {
  const relief = { kind: 'metHeadRelief', depthMm: 2, heads: [4] }
  const spot = { kind: 'sweetSpot', depthMm: 1.5, xMm: 0, yMm: 35, radiusMm: 12 }
  it.each([
    ['pressed', { material: 'polypropylene', thicknessMm: 4 }],
    ['printed', nylon],
  ])('under head 4 leaves the stack under the heel as it was, %s', (_, shell) => {
    const heel = (d: object) => {
      const { body, device } = build(0, { shell, ...d })
      return stackHeights(body, device).heelMm
    }
    expect(Math.abs(heel({ layers: [relief] }) - heel({}))).toBeLessThan(0.05)
  })
  it('printed, goes down from the top and leaves the underside', () => {
    const [bare, hollow] = [build(0, { shell: nylon }), build(0, { shell: nylon, layers: [spot] })]
    const [a, b] = [column(bare, 0, 35), column(hollow, 0, 35)]
    expect(a.top - b.top).toBeCloseTo(1.5, 1)
    expect(b.bottom).toBeCloseTo(a.bottom, 3)
    expect(b.top - b.bottom).toBeCloseTo(1.5, 1)
  })
  it('printed, leaves the least thickness of its material, and says what it misses', () => {
    const device = { shell: nylon, layers: [{ ...spot, depthMm: 4 }] }
    const built = build(0, device)
    const { top, bottom } = column(built, 0, 35)
    expect(top - bottom).toBeCloseTo(1.2, 1)
    const said = deviceReport(record(0, device), 'left', built)
    expect(said.layers[0]!.peakMm).toBeCloseTo(1.8, 1)
    expect(said.rim.leastThicknessMm).toBeCloseTo(1.2, 1)
    expect(said.contradictions.map((c) => c.code)).toContain('hollow-too-deep')
  })
  it('pressed, is ground off where it would come through the floor', () => {
    const [bare, hollow] = [build(0), build(0, { layers: [{ ...spot, depthMm: 2 }] })]
    // Under the heel the shell stands on the floor: the hollow must be found in the sheet alone.
    expect(Math.abs(lies(hollow).rollDeg)).toBeLessThan(0.3)
    const [a, b] = [column(bare, 0, 35), column(hollow, 0, 35)]
    expect(a.top - a.bottom).toBeCloseTo(4, 1)
    // The sheet would hang 2 mm below the floor: as much is ground off, but what it was pitched.
    expect(b.top - b.bottom).toBeGreaterThan(1.9)
    expect(b.top - b.bottom).toBeLessThan(2.4)
  })
  it('never thins carbon', () => {
    const shell = { material: 'carbon', thicknessMm: 2 }
    const built = build(0, { shell, layers: [{ ...spot, depthMm: 2 }] })
    const { top, bottom } = column(built, 0, 35)
    expect(top - bottom).toBeGreaterThan(1.95)
  })
  it('a corner let down to the floor keeps the material’s least and tells what it cannot reach', () => {
    const device = { layers: [{ kind: 'firstRayAccommodation', depthMm: 8 }] }
    const built = build(0, device)
    expect(leastThickness(built.body)!.mm).toBeGreaterThan(1.3)
    const said = deviceReport(record(0, device), 'left', built)
    expect(said.layers[0]!.peakMm).toBeLessThan(7)
    expect(said.contradictions.map((c) => c.code)).toContain('hollow-too-deep')
  })
  it('anywhere never makes a bump that the device stands on, and never a hole', () => {
    fc.assert(
      fc.property(
        fc.record({
          x: fc.integer({ min: -22, max: 22 }),
          y: fc.integer({ min: 20, max: 165 }),
          depthMm: fc.integer({ min: 1, max: 6 }),
          radiusMm: fc.integer({ min: 8, max: 20 }),
          material: fc.constantFrom(...MATERIALS),
        }),
        ({ x, y, depthMm, radiusMm, material }) => {
          const thicknessMm = THICK[material]
          const shell = { material, thicknessMm }
          const layer = { kind: 'sweetSpot', xMm: x, yMm: y, depthMm, radiusMm }
          const [bare, hollow] = [build(0, { shell }), build(0, { shell, layers: [layer] })]
          const [a, b] = [lies(bare), lies(hollow)]
          expect(Math.abs(a.rollDeg - b.rollDeg)).toBeLessThan(0.3)
          expect(hollow.solid.report.selfOverlaps).toBe(0)
          expect(hollow.solid.report.closed).toBe(true)
        },
      ),
      { numRuns: runs(60, 8) },
    )
  })
})

describe('heel expansion', () => {
  /** Where the wall of the file stands at a height over the cup's floor, on a line across the heel. */
  function wallAt({ body, surface }: Built, heightMm: number, side: 1 | -1): number {
    const { field } = surface
    const row = [...field.y.keys()].filter((i) => Math.abs(field.y[i]! - 34.5) < 0.01)
    const inside = row.filter((i) => body.inside[i]! > 0)
    const low = Math.min(...inside.map((i) => body.top[i]!))
    const ordered = inside.filter((i) => field.x[i]! * side > 0)
    if (side < 0) ordered.reverse()
    for (let k = 1; k < ordered.length; k++) {
      const [a, b] = [ordered[k - 1]!, ordered[k]!]
      const [za, zb] = [body.top[a]! - low, body.top[b]! - low]
      if (zb >= heightMm)
        return Math.abs(field.x[a]!) + ((heightMm - za) / (zb - za)) * field.stepMm
    }
    return NaN
  }
  it.each([1, 2, 3])('of %d mm moves the wall out level, cup and floor stay', (mm) => {
    const [plain, wide] = [
      build(0),
      build(0, { layers: [{ kind: 'heelExpansion', amountMm: mm }] }),
    ]
    for (const side of [1, -1] as const)
      for (const height of [4, 8, 12])
        expect(wallAt(wide, height, side) - wallAt(plain, height, side)).toBeCloseTo(mm, 0.7)
    const [a, b] = [cupDepth(plain.body)!, cupDepth(wide.body)!]
    for (const place of ['medial', 'lateral', 'back'] as const) {
      expect(a[place]).toBeCloseTo(14, 0.7)
      expect(Math.abs(b[place] - a[place])).toBeLessThan(0.3)
    }
    expect(wide.surface.layers[0]!.peakMm).toBeCloseTo(mm, 0.7)
  })
  it('a post makes neither side of the cup deeper', () => {
    const posted = cupDepth(build(0, { posts: [{ at: 'rearfoot', angleDeg: 6 }] }).body)!
    expect(Math.abs(posted.medial - posted.lateral)).toBeLessThan(0.6)
  })
})
