import { HOUSE_NORMS } from '../../../core/record/tables'
import { spawnSync } from 'node:child_process'
import { mkdtempSync, readFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { FAULTS, soleFault, usualFault } from '../../../core/capture/standin/faults'
import { cutLongEdges } from '../../../core/capture/standin/footBody'
import { standinScan } from '../../../core/capture/standin/scan'
import { createSole } from '../../../core/device/sole'
import { soleParameters } from '../../../core/device/soleParameters'
import { readMesh } from '../../../core/formats/mesh/readMesh'
import { inspectMesh, meshVolume, type Mesh } from '../../../core/geometry/mesh'
import { DEMO_RECORDS } from '../../../demo/records'
import { runs } from '../../effort'

const FOOT = DEMO_RECORDS['tove-marchetti']!.feet.left!
const sole = createSole(soleParameters(FOOT, HOUSE_NORMS)!.parameters)
const box = (m: Mesh, axis: number) => {
  let [low, high] = [Infinity, -Infinity]
  for (let i = axis; i < m.positions.length; i += 3)
    [low, high] = [Math.min(low, m.positions[i]!), Math.max(high, m.positions[i]!)]
  return high - low
}

describe('the stand-in scanner', () => {
  it('makes a closed foot of the asked size, toes apart or together, either side', () => {
    for (const separateToes of [true, false])
      for (const side of ['left', 'right'] as const) {
        const mesh = standinScan(FOOT, side, { rows: HOUSE_NORMS, seed: 1, separateToes })
        expect(inspectMesh(mesh)).toMatchObject({ closed: true, manifold: true, outward: true })
        expect(Math.abs(box(mesh, 1) - 264.3)).toBeLessThan(2)
      }
  })
  it('opens the leg, or takes the sole alone', () => {
    expect(
      inspectMesh(standinScan(FOOT, 'left', { rows: HOUSE_NORMS, seed: 1, leg: 'open' })).closed,
    ).toBe(false)
    expect(
      box(standinScan(FOOT, 'left', { rows: HOUSE_NORMS, seed: 1, leg: 'sole-only' }), 2),
    ).toBeLessThan(40)
  })
  it('gives the same scan for the same seed, and keeps its size in any pose and unit', () => {
    const options = { rows: HOUSE_NORMS, seed: 7, noiseMm: 0.3, holes: 3, turned: true }
    expect(standinScan(FOOT, 'left', options)).toEqual(standinScan(FOOT, 'left', options))
    expect(standinScan(FOOT, 'left', { ...options, seed: 8 })).not.toEqual(
      standinScan(FOOT, 'left', options),
    )
    const still = meshVolume(standinScan(FOOT, 'left', { rows: HOUSE_NORMS, seed: 7 }))
    expect(
      meshVolume(standinScan(FOOT, 'left', { rows: HOUSE_NORMS, seed: 7, turned: true })) / still,
    ).toBeCloseTo(1, 9)
    expect(
      (meshVolume(standinScan(FOOT, 'left', { rows: HOUSE_NORMS, seed: 7, unit: 'cm' })) * 1000) /
        still,
    ).toBeCloseTo(1, 9)
  })
  it('has steep walls with points on them: no long edge stays', () => {
    const { positions: p, triangles: t } = standinScan(FOOT, 'left', { rows: HOUSE_NORMS, seed: 1 })
    let longest = 0
    for (let i = 0; i < t.length; i += 3)
      for (let k = 0; k < 3; k++)
        longest = Math.max(
          longest,
          Math.hypot(
            ...[0, 1, 2].map((a) => p[3 * t[i + k]! + a]! - p[3 * t[i + ((k + 1) % 3)]! + a]!),
          ),
        )
    expect(longest).toBeLessThanOrEqual(4.5)
  })
  it('leaves a share of the sole unseen when coverage is the fault', () => {
    const whole = standinScan(FOOT, 'left', { rows: HOUSE_NORMS, seed: 3 }).triangles.length
    expect(
      standinScan(FOOT, 'left', { rows: HOUSE_NORMS, seed: 3, fault: 'coverage', amount: 7.5 })
        .triangles.length,
    ).toBeLessThan(whole * 0.99)
  })
  it('says when there is no length to build on', () =>
    expect(() => standinScan({ readings: [] }, 'left', { rows: HOUSE_NORMS, seed: 1 })).toThrow(
      /foot length first/,
    ))
})

describe('faults of the sole', () => {
  const L = sole.parameters.lengthMm
  const largest = (f: (x: number, y: number) => number) => {
    let most = 0
    for (let y = 2; y < L; y += 3)
      for (let x = -48; x <= 48; x += 3)
        if (sole.contains(x, y)) most = Math.max(most, Math.abs(f(x, y)))
    return most
  }
  it.each(FAULTS.filter((f) => !['heelUpright', 'forefootAngle', 'coverage', 'toes'].includes(f)))(
    '%s moves the sole by the asked amount at most',
    (fault) => {
      const { amount } = usualFault(fault, HOUSE_NORMS)
      const most = largest(soleFault(sole, fault, amount))
      expect(most).toBeLessThanOrEqual(amount * 1.12)
      expect(most).toBeGreaterThan(amount * 0.8)
    },
  )
  it('turns the forefoot by the asked angle and leaves the heel alone', () => {
    const f = soleFault(sole, 'forefootAngle', 3)
    const [a, b] = [sole.heads[0]!, sole.heads[4]!]
    expect(
      (Math.atan((f(a.x, 0.72 * L) - f(b.x, 0.72 * L)) / (a.x - b.x)) * 180) / Math.PI,
    ).toBeCloseTo(3, 6)
    expect(f(20, 0.13 * L)).toBe(0)
  })
  it('do nothing when none is asked', () => expect(largest(soleFault(sole, undefined, 5))).toBe(0))
})

describe('cutting long edges', () => {
  it('keeps the volume of any closed mesh', () =>
    fc.assert(
      fc.property(
        fc.double({ min: 4, max: 60, noNaN: true }),
        fc.double({ min: 4, max: 60, noNaN: true }),
        (a, b) => {
          const wedge: Mesh = {
            positions: Float64Array.from([0, 0, 0, a, 0, 0, 0, b, 0, 0, 0, 50]),
            triangles: Uint32Array.from([0, 2, 1, 0, 1, 3, 1, 2, 3, 0, 3, 2]),
          }
          const cut = cutLongEdges(wedge, 5)
          expect(meshVolume(cut)).toBeCloseTo((a * b * 50) / 6, 4)
          expect(inspectMesh(cut)).toMatchObject({ closed: true, manifold: true })
        },
      ),
      { numRuns: runs(25) },
    ))
})

describe('arch scan', () => {
  it('writes any format, with a fault of one and a half times its limit', () => {
    const folder = mkdtempSync(join(tmpdir(), 'gentle-arch-scan-'))
    const arch = (...args: string[]) =>
      spawnSync('./arch', ['scan', 'demo/records/tove-marchetti.json', ...args], {
        encoding: 'utf8',
      })
    for (const format of ['stl', 'obj', 'ply', '3mf']) {
      const out = join(folder, `x.${format}`)
      const said = JSON.parse(
        arch(
          '--foot',
          'right',
          '--fault',
          'archHeight',
          '--seed',
          '4',
          '--unit',
          'cm',
          '--out',
          out,
        ).stdout,
      )
      expect(said).toMatchObject({
        format,
        side: 'right',
        fault: 'archHeight',
        amount: 4.5,
        amountUnit: 'mm',
      })
      expect(readMesh(out, readFileSync(out)).triangles.length / 3).toBe(said.triangles)
    }
    expect(arch('--foot', 'right').status).toBe(2)
    expect(
      arch('--foot', 'right', '--fault', 'nonsense', '--out', join(folder, 'x.stl')).stderr,
    ).toContain('--fault takes heelUpright')
  })
})
