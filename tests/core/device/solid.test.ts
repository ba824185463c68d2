import { HOUSE_NORMS } from '../../../core/record/tables'
import { execFileSync } from 'node:child_process'
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { afterAll, describe, expect, it } from 'vitest'
import { buildDevice } from '../../../core/device/buildDevice'
import { inRealSpace } from '../../../core/device/solid'
import { writeStl } from '../../../core/formats/mesh/writeStl'
import { normalThickness } from '../../fixtures/normalThickness'
import { kindsOf, randomPrescription } from '../../fixtures/randomDevice'
import { sliceVolume } from '../../fixtures/sliceVolume'
import { referenceRecord } from '../../fixtures/feet'
import { runs } from '../../effort'

const MANY = runs(300, 45)
const folder = mkdtempSync(join(tmpdir(), 'arch-solid-'))
afterAll(() => rmSync(folder, { recursive: true }))

/** What Debian's mesh checker says of an STL: degenerate faces, edges to mend, parts, volume. */
function admesh(bytes: Uint8Array): {
  facets: number
  open: number
  degenerate: number
  mended: number
  volumeMm3: number
} {
  const file = join(folder, 'solid.stl')
  writeFileSync(file, bytes)
  // Exact checks only, nothing mended: what it would have to mend is what it finds.
  const said = execFileSync('admesh', ['--exact', '--normal-directions', '--normal-values', file], {
    encoding: 'utf8',
    env: { ...process.env, LC_ALL: 'C' },
  })
  const number = (pattern: RegExp) => Number(pattern.exec(said)?.[1] ?? NaN)
  return {
    facets: number(/Number of facets\s*:\s*(\d+)/),
    open: number(/Total disconnected facets\s*:\s*(\d+)/),
    degenerate: number(/Degenerate facets\s*:\s*(\d+)/),
    mended: number(/Facets reversed\s*:\s*(\d+)/) + number(/Backwards edges\s*:\s*(\d+)/),
    volumeMm3: number(/Volume\s*:\s*([-\d.]+)/),
  }
}

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
      const [outside, inside, cast] = [
        { posts: [{ at: 'rearfoot', angleDeg }] },
        { posts: [{ at: 'rearfoot', style: 'intrinsic', angleDeg }] },
        { castAngleDeg: angleDeg },
      ].map((d) => built(d).solid.heelAngleDeg)
      for (const found of [outside!, inside!, cast!])
        expect(Math.abs(found - angleDeg)).toBeLessThan(0.1)
    }
  })
  it('a forefoot held by a platform or by a wedge leaves the heel as it was balanced', () => {
    for (const device of [
      { layers: [{ kind: 'intrinsicForefootPost', angleDeg: 5 }] },
      { posts: [{ at: 'forefoot', angleDeg: 5 }] },
    ])
      expect(Math.abs(built(device).solid.heelAngleDeg!)).toBeLessThan(0.1)
  })
  it('motion grinds the inner half of the base up by its angle', () => {
    const b = built({ posts: [{ at: 'rearfoot', angleDeg: 4, motionDeg: 4 }] })
    const rise = (x: number) => b.body.bottom[at(b, x, 34.5)]! - b.body.floorMm
    expect(rise(-12.5)).toBe(0)
    expect(rise(15.5)).toBeCloseTo(15.5 * Math.tan((4 * Math.PI) / 180), 6)
  })
  it('a block is as long as asked, and a mouldable blank stands flat under its heel', () => {
    const b = built({ posts: [{ at: 'rearfoot', angleDeg: 4, lengthMm: 90 }] })
    expect(b.body.bottom[at(b, 0.5, 88.5)]!).toBeCloseTo(b.body.floorMm, 6)
    expect(b.body.bottom[at(b, 0.5, 92.5)]!).toBeGreaterThan(b.body.floorMm + 0.3)
    const flat = built({ kind: 'heat-moulded' })
    for (const x of [-18.5, 0.5, 18.5])
      expect(flat.body.bottom[at(flat, x, 30.5)]!).toBe(flat.body.floorMm)
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
    expect(pocket!.volumeMm3 - hole!.volumeMm3).toBeGreaterThan(0.8 * Math.PI * 10.5 ** 2 * 3)
  })
  it('a cut-out takes the inner front corner away; an accommodation lets it down onto the floor', () => {
    const [cut, down] = ['firstRayCutOut', 'firstRayAccommodation'].map((kind) =>
      built({ layers: [{ kind, depthMm: 6 }] }),
    )
    const { heads } = cut!.surface.field.sole
    const corner = at(cut!, heads[0]!.x + 6, heads[0]!.y - 12)
    expect(cut!.body.inside[corner]!).toBeLessThan(0)
    expect(down!.body.inside[corner]!).toBeGreaterThan(0)
    expect(down!.body.bottom[corner]!).toBeCloseTo(down!.body.floorMm, 6)
    // It stands on the floor there, and the heel is not lifted by it.
    expect(down!.body.floorMm).toBeCloseTo(built({}).body.floorMm, 6)
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
