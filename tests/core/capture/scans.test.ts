import { HOUSE_NORMS } from '../../../core/record/tables'
import { spawnSync } from 'node:child_process'
import { mkdtempSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { describe, expect, it } from 'vitest'
import { captureFoot, openScan } from '../../../core/capture/captureScan'
import { seeded } from '../../../core/capture/standin/random'
import { standinScan, type ScanOptions } from '../../../core/capture/standin/scan'
import { decodeSurface, encodeHeights } from '../../../core/record/surfaceHeights'
import { takenSurface } from '../../../core/capture/takenSurface'
import { proposedCorrections, standingRiseMm } from '../../../core/capture/wayCorrections'
import { cleanScan } from '../../../core/capture/shape/cleanScan'
import { eigenvalues } from '../../../core/capture/shape/components'
import { correctionChange } from '../../../core/device/castCorrections'
import { fieldKey, footField } from '../../../core/device/footField'
import { surfaceChange } from '../../../core/device/surfaceChange'
import { writeMesh } from '../../../core/formats/mesh/writeMesh'
import type { MeshFile } from '../../../core/formats/mesh/meshFile'
import { sampleGrid } from '../../../core/geometry/grid'
import type { Mesh } from '../../../core/geometry/mesh'
import { CORRECTION_KINDS } from '../../../core/record/captureSchema'
import { parseWith } from '../../../core/record/parse'
import { Refusal } from '../../../core/record/refusal'
import { deviceSchema, type Foot } from '../../../core/record/schema'
import { DEMO_RECORDS } from '../../../demo/records'
import { madeUpFoot } from './madeUpFeet'
import { LONG, runs } from '../../effort'

const FOOT = madeUpFoot(42)
const scanOf = (more: Partial<ScanOptions> = {}, side: 'left' | 'right' = 'left') =>
  standinScan(FOOT, side, { rows: HOUSE_NORMS, seed: 42, noiseMm: 0.3, turned: false, ...more })
const fileOf = (mesh: Mesh): MeshFile => ({ ...mesh, format: 'ply', unit: 'mm', notes: [] })
const joined = (...meshes: Mesh[]): Mesh => {
  const positions: number[] = []
  const triangles: number[] = []
  for (const m of meshes) {
    const base = positions.length / 3
    for (const v of m.positions) positions.push(v)
    for (const v of m.triangles) triangles.push(v + base)
  }
  return { positions: Float64Array.from(positions), triangles: Uint32Array.from(triangles) }
}
const moved = (m: Mesh, x: number, y: number, z: number): Mesh => ({
  ...m,
  positions: m.positions.map((v, i) => v + [x, y, z][i % 3]!),
})
/** A flat square plate of small faces. */
function plate(size: number, z: number): Mesh {
  const n = 60
  const positions: number[] = []
  const triangles: number[] = []
  for (let r = 0; r <= n; r++)
    for (let c = 0; c <= n; c++) positions.push((c / n - 0.5) * size, (r / n - 0.5) * size + 130, z)
  for (let r = 0; r < n; r++)
    for (let c = 0; c < n; c++)
      triangles.push(
        r * (n + 1) + c,
        r * (n + 1) + c + 1,
        (r + 1) * (n + 1) + c,
        r * (n + 1) + c + 1,
        (r + 1) * (n + 1) + c + 1,
        (r + 1) * (n + 1) + c,
      )
  return { positions: Float64Array.from(positions), triangles: Uint32Array.from(triangles) }
}
const readAll = (mesh: Mesh, side: 'left' | 'right' = 'left') =>
  captureFoot(openScan(fileOf(mesh)), side, FOOT, {}, HOUSE_NORMS)

describe('cleaning a scan', () => {
  const speck = {
    positions: Float64Array.from([200, 20, 20, 204, 20, 20, 200, 24, 22]),
    triangles: Uint32Array.from([0, 1, 2]),
  }
  it('leaves specks and doubled faces out, and says so', () => {
    const whole = scanOf()
    const clean = cleanScan(
      joined(
        {
          ...whole,
          triangles: Uint32Array.from([...whole.triangles, ...whole.triangles.slice(0, 300)]),
        },
        speck,
      ),
    )
    expect(clean.notes.join('; ')).toMatch(/100 doubled triangles left out; 1 loose piece left out/)
    expect(clean.triangles.length).toBe(whole.triangles.length)
  })
  it('turns faces that lie inside out', () => {
    const whole = scanOf()
    const flipped = Uint32Array.from(whole.triangles)
    for (let f = 0; f < 500; f++)
      [flipped[3 * f + 1], flipped[3 * f + 2]] = [flipped[3 * f + 2]!, flipped[3 * f + 1]!]
    expect(cleanScan({ ...whole, triangles: flipped }).notes.join()).toContain(
      '500 triangles lay inside out',
    )
  })
  it('takes a table away, loose or touching the foot', () => {
    for (const z of [-25, 0.1]) {
      const foot = readAll(joined(scanOf({ noiseMm: 0 }), plate(420, z)))
      expect(
        Math.abs(foot.readings.footLengthMm! - 2 * 0.5 * FOOT.readings[0]!.trials[0]!),
      ).toBeLessThan(1.5)
    }
  })
  it.runIf(LONG)('asks which foot when there are two, and takes the one that is meant', () => {
    const pair = joined(scanOf({}, 'left'), moved(scanOf({}, 'right'), 160, 0, 0))
    expect(() => openScan(fileOf(pair))).toThrow(/two feet in this file/i)
    for (const side of ['left', 'right'] as const)
      expect(openScan(fileOf(pair), undefined, side)).toMatchObject({ rough: { guess: { side } } })
  })
  it('refuses what is no foot with a reason', () => {
    expect(() => openScan(fileOf(plate(420, 0)))).toThrow(/no foot in this file/)
    expect(() => openScan(fileOf(plate(3, 0)))).toThrow(/no foot in this file/)
    const block: Mesh = {
      positions: Float64Array.from([...plate(200, 0).positions, ...plate(200, 60).positions]),
      triangles: joined(plate(200, 0), plate(200, 60)).triangles,
    }
    expect(() => openScan(fileOf(block))).toThrow(/foot/)
  })
  it('knows the axes of a body', () =>
    expect(eigenvalues([4, 9, 1, 0, 0, 0]).map((v) => Math.round(v))).toEqual([9, 4, 1]))
})

describe('damaged scans', () => {
  it('give a foot or a sentence, and never anything else', { timeout: 400_000 }, () => {
    const whole = scanOf({ leg: 'sole-only' })
    const { next } = seeded(77)
    for (let k = 0; k < runs(24, 6); k++) {
      const positions = Float64Array.from(whole.positions)
      const spoilt = [0.001, 0.02, 0.3][k % 3]!
      for (let i = 0; i < positions.length; i++)
        if (next() < spoilt)
          positions[i] = [0, 1e6, -positions[i]!, positions[i]! * 1000, 1e-9][
            Math.floor(5 * next())
          ]!
      const triangles = whole.triangles.filter((_, i) => Math.floor(i / 3) % 7 !== k % 7)
      try {
        const foot = captureFoot(
          openScan(fileOf({ positions, triangles: k % 2 ? triangles : new Uint32Array() })),
          'left',
          FOOT,
          {},
          HOUSE_NORMS,
        )
        expect(Number.isFinite(foot.readings.footLengthMm)).toBe(true)
      } catch (error) {
        expect(error, String(error)).toBeInstanceOf(Refusal)
      }
    }
  })
})

describe('gaps in the sole', () => {
  it('small ones are filled close to the true sole, a large one is refused with its place', () => {
    const whole = readAll(scanOf({ noiseMm: 0 }))
    const cut = (radius: number) => {
      const m = scanOf({ noiseMm: 0 })
      const kept: number[] = []
      const near = (i: number) =>
        Math.hypot(m.positions[3 * i]! - 5, m.positions[3 * i + 1]! - 40) < radius &&
        m.positions[3 * i + 2]! < 12
      for (let f = 0; f < m.triangles.length; f += 3)
        if (![0, 1, 2].some((k) => near(m.triangles[f + k]!)))
          kept.push(m.triangles[f]!, m.triangles[f + 1]!, m.triangles[f + 2]!)
      return readAll({ ...m, triangles: Uint32Array.from(kept) })
    }
    const small = cut(7)
    expect(small.coverage.gaps[0]).toMatchObject({
      filled: true,
      words: expect.stringContaining('heel'),
    })
    const g = small.coverage.grid
    let worst = 0
    for (let i = 0; i < g.z.length; i++) {
      const other = whole.coverage.grid.z[i]!
      if (
        whole.coverage.grid.columns === g.columns &&
        !Number.isNaN(other) &&
        !Number.isNaN(g.z[i]!)
      )
        worst = Math.max(
          worst,
          Math.hypot((i % g.columns) + g.x0 - 5, Math.floor(i / g.columns) + g.y0 - 40) < 9
            ? Math.abs(other - g.z[i]!)
            : 0,
        )
    }
    expect(worst).toBeLessThan(0.3)
    const large = cut(16)
    expect(large.coverage.gaps[0]).toMatchObject({ filled: false })
    expect(large.coverage.gaps[0]!.words).toMatch(/heel, (3|4)\d mm from the heel/)
  })
})

describe('a scan in any pose', () => {
  const readings = (mesh: Mesh) => readAll(mesh).readings
  it.runIf(LONG)('reads the same when it is moved, turned or its triangles are shuffled', () => {
    const base = scanOf({ seed: 7 })
    const first = readings(base) as Record<string, number>
    const spin = ([x, y, z]: number[]) => {
      const [a, b] = [0.9, -2.1]
      const [x1, y1] = [x! * Math.cos(a) - y! * Math.sin(a), x! * Math.sin(a) + y! * Math.cos(a)]
      return [
        x1 + 77,
        y1 * Math.cos(b) - z! * Math.sin(b) - 140,
        y1 * Math.sin(b) + z! * Math.cos(b) + 9,
      ]
    }
    const positions = Float64Array.from(base.positions)
    for (let i = 0; i < positions.length; i += 3)
      positions.set(spin([...base.positions.slice(i, i + 3)]), i)
    const faces = Array.from({ length: base.triangles.length / 3 }, (_, f) => f).sort(
      (a, b) => ((a * 7919) % 10007) - ((b * 7919) % 10007),
    )
    const triangles = Uint32Array.from(
      faces.flatMap((f) => [...base.triangles.slice(3 * f, 3 * f + 3)]),
    )
    for (const other of [
      readings({ positions, triangles: base.triangles }),
      readings({ positions: base.positions, triangles }),
    ] as Record<string, number>[])
      for (const [what, value] of Object.entries(first))
        expect(Math.abs(other[what]! - value), what).toBeLessThan(0.2)
  })
  it.runIf(LONG)('a landmark that is moved takes the numbers along, and the rest stays', () => {
    const open = openScan(fileOf(scanOf()))
    const auto = captureFoot(open, 'left', FOOT, {}, HOUSE_NORMS)
    const [x, y] = auto.landmarks.firstMetHead!
    const back = (p: readonly [number, number, number]) =>
      [0, 1, 2].map(
        (k) =>
          auto.view.frame.origin[k]! +
          p[0] * auto.view.frame.x[k]! +
          p[1] * auto.view.frame.y[k]! +
          p[2] * auto.view.frame.z[k]!,
      ) as [number, number, number]
    const by = captureFoot(open, 'left', FOOT, { firstMetHead: back([x, y - 6, 0]) }, HOUSE_NORMS)
    expect(by.readings.archLengthMm! - auto.readings.archLengthMm!).toBeCloseTo(-6, 0)
    expect(Math.abs(by.readings.heelWidthMm! - auto.readings.heelWidthMm!)).toBeLessThan(0.3)
    // Put down at a wrong height, a head still lies on the sole: the forefoot angle is read there.
    const lifted = captureFoot(open, 'left', FOOT, { firstMetHead: back([x, y, 25]) }, HOUSE_NORMS)
    expect(Math.abs(lifted.readings.forefootDeg! - auto.readings.forefootDeg!)).toBeLessThan(0.2)
    const third = captureFoot(
      open,
      'left',
      FOOT,
      {
        thirdMetHead: back([
          auto.landmarks.thirdMetHead![0],
          auto.landmarks.thirdMetHead![1] - 30,
          0,
        ]),
      },
      HOUSE_NORMS,
    )
    expect(third.landmarks.thirdMetHead![1]).toBeCloseTo(auto.landmarks.thirdMetHead![1] - 30, 0)
  })
})

describe('the taken surface', () => {
  const taken = takenSurface(readAll(scanOf({ noiseMm: 0 })))
  it('keeps heights to a hundredth', () => {
    const z = Float64Array.from([0, 1.234, NaN, -4.5])
    const back = decodeSurface({
      x0: 0,
      y0: 0,
      stepMm: 1,
      columns: 2,
      rows: 2,
      heights: encodeHeights(z),
    }).z
    expect([...back].map((v) => (Number.isNaN(v) ? null : v))).toEqual([0, 1.23, null, -4.5])
  })
  it('is what devices are then built on, and close to the closed form it was made from', () => {
    const read = footField(FOOT, HOUSE_NORMS)!
    const built = footField(
      {
        ...FOOT,
        capture: { way: 'scan', load: 'none', use: 'captured', surface: taken },
      },
      HOUSE_NORMS,
    )!
    expect([read.from, built.from]).toEqual(['readings', 'captured'])
    const at = (f: typeof read, x: number, y: number) =>
      f.field.z[
        Math.round(y - f.field.y0 - 0.5) * f.field.columns + Math.round(x - f.field.x0 - 0.5)
      ]!
    const L = taken.lengthMm
    for (const [x, s] of [
      [0, 0.13],
      [10, 0.13],
      [15, 0.43],
      [-15, 0.43],
      [5, 0.68],
      [-20, 0.66],
    ] as const)
      expect(Math.abs(at(built, x, s * L) - at(read, x, s * L)), `${x}, ${s}`).toBeLessThan(1.6)
    // Switched back, the closed form returns unchanged.
    expect(
      footField(
        {
          ...FOOT,
          capture: { way: 'scan', load: 'none', use: 'readings', surface: taken },
        },
        HOUSE_NORMS,
      )!.field.z,
    ).toEqual(read.field.z)
  })
  it("shows what a device's move onto it changes, layers as they were", () => {
    const device = parseWith(deviceSchema, {
      layers: [
        { kind: 'medialSkive', depthMm: 3 },
        { kind: 'metPad', heightMm: 4 },
      ],
    })
    const foot: Foot = {
      ...FOOT,
      device,
      capture: { way: 'scan', load: 'none', use: 'readings', surface: taken },
    }
    const change = surfaceChange(foot, HOUSE_NORMS)!
    expect(change.layers.map((l) => l.kind)).toEqual(['metPad', 'medialSkive'])
    for (const l of change.layers) expect(Math.abs(l.after - l.before), l.kind).toBeLessThan(0.2)
    expect(change.lengthMm[1]).toBe(taken.lengthMm)
    expect(Math.abs(change.largest.mm)).toBeLessThan(3)
    expect(surfaceChange(FOOT, HOUSE_NORMS)).toBeNull()
    expect(fieldKey(foot, HOUSE_NORMS)).not.toBe(
      fieldKey({ ...foot, capture: { ...foot.capture!, use: 'captured' } }, HOUSE_NORMS),
    )
  })
  it.runIf(LONG)(
    'carries a device with its heel upright, however the foot was held to its leg',
    () => {
      for (const neutral of [-3, 4]) {
        const foot: Foot = {
          ...FOOT,
          findings: { ...FOOT.findings, neutralPalpatedDeg: [neutral] },
        }
        const found = captureFoot(
          openScan(
            fileOf(
              standinScan(foot, 'left', {
                rows: HOUSE_NORMS,
                seed: 3,
                noiseMm: 0.3,
                leg: 'capped',
              }),
            ),
          ),
          'left',
          foot,
          {},
          HOUSE_NORMS,
        )
        expect(Math.abs(found.readings.heelBisectionDeg! - neutral)).toBeLessThan(1.5)
        const { field } = footField(
          {
            ...foot,
            capture: { way: 'scan', load: 'none', use: 'captured', surface: takenSurface(found) },
          },
          HOUSE_NORMS,
        )!
        const at = (x: number) => sampleGrid(field, x, 0.12 * field.sole.parameters.lengthMm)
        expect(
          Math.abs((Math.atan2(at(10) - at(-10), 20) * 180) / Math.PI),
          String(neutral),
        ).toBeLessThan(1.3)
      }
    },
  )
  it('is corrected by the asked amount, down for room and up for the arch', () => {
    const { field } = footField(FOOT, HOUSE_NORMS)!
    for (const kind of CORRECTION_KINDS) {
      const change = correctionChange(field, { kind, amountMm: 2 })
      const inside = [...change].filter((_, i) => field.mask[i])
      const peak = inside.reduce((a, b) => (Math.abs(b) > Math.abs(a) ? b : a), 0)
      expect(Math.abs(peak), kind).toBeGreaterThan(1.9)
      // A wall that stands 2 mm further out is far lower where it stood.
      if (kind !== 'heelExpansion') expect(Math.abs(peak), kind).toBeLessThan(2.01)
      expect(Math.sign(peak), kind).toBe(kind === 'archRise' || kind === 'toeLevel' ? 1 : -1)
    }
  })
  it('takes its corrections from the way of capture', () => {
    const both = (sitting: number, standing: number) => ({
      readings: (['sitting', 'standing'] as const).map((posture, i) => ({
        what: 'dorsumHeightMm' as const,
        posture,
        trials: [[sitting, standing][i]!],
        struck: [],
      })),
    })
    expect(standingRiseMm(both(62, 58), 0.5)).toBe(2)
    expect(standingRiseMm(both(58, 62), 0.5)).toBe(0)
    expect(proposedCorrections(both(62, 58), { way: 'standing-vacuum' }, HOUSE_NORMS)).toEqual([
      { kind: 'archRise', amountMm: 2, on: true },
    ])
    expect(
      proposedCorrections(
        FOOT,
        {
          way: 'scan',
          checks: [{ code: 'fingerDents', value: 2.3, verdict: 'doubtful', words: 'x' }],
        },
        HOUSE_NORMS,
      ).at(-1),
    ).toEqual({ kind: 'dentFill', amountMm: 2.5, on: true })
  })
})

describe('arch capture', () => {
  const folder = mkdtempSync(join(tmpdir(), 'gentle-arch-capture-'))
  const arch = (...args: string[]) => spawnSync('./arch', args, { encoding: 'utf8' })
  it('prints frame, landmarks, readings and verdicts of a scan against its record', () => {
    const file = join(folder, 'left.stl')
    writeFileSync(
      file,
      writeMesh(
        'stl',
        standinScan(DEMO_RECORDS['tove-marchetti']!.feet.left!, 'left', {
          rows: HOUSE_NORMS,
          seed: 5,
          noiseMm: 0.3,
          turned: true,
          unit: 'cm',
        }),
        'x',
      ),
    )
    const said = JSON.parse(
      arch('capture', file, '--record', 'demo/records/tove-marchetti.json', '--foot', 'left')
        .stdout,
    )
    expect(said).toMatchObject({ unit: 'cm', side: 'left', sideGuess: { side: 'left' } })
    expect(said.frame.matrix).toHaveLength(16)
    expect(said.checks.map((c: { verdict: string }) => c.verdict)).toEqual(
      Array.from({ length: 9 }, () => 'good'),
    )
    expect(said.landmarks.heel[2]).toBeCloseTo(0, 1)
    expect(Math.abs(said.readings.footLengthMm - 265.3)).toBeLessThan(3)
  })
  it('refuses a broken or footless file in one sentence, exit 1', () => {
    const file = join(folder, 'plate.ply')
    writeFileSync(file, writeMesh('ply', plate(420, 0), 'x'))
    const refused = arch('capture', file)
    expect(refused.status).toBe(1)
    expect(JSON.parse(refused.stdout).error).toMatchObject({ code: 'no-foot' })
    expect(arch('capture', join(folder, 'none.stl')).status).toBe(1)
    expect(arch('capture', file, '--record', 'demo/records/tove-marchetti.json').status).toBe(2)
  })
})
