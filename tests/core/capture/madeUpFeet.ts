import { HOUSE_NORMS } from '../../../core/record/tables'
import { usualFault, type Fault } from '../../../core/capture/standin/faults'
import { seeded } from '../../../core/capture/standin/random'
import { standinScan, type ScanOptions } from '../../../core/capture/standin/scan'
import { createSole } from '../../../core/device/sole'
import type { Sole } from '../../../core/geometry/soleField'
import { soleParameters } from '../../../core/device/soleParameters'
import { readMesh } from '../../../core/formats/mesh/readMesh'
import { MESH_FORMATS } from '../../../core/formats/mesh/formats/all'
import { UNITS } from '../../../core/geometry/units'
import { writeMesh } from '../../../core/formats/mesh/writeMesh'
import {
  captureFoot,
  openScan,
  type CapturedFoot,
  type OpenScan,
} from '../../../core/capture/captureScan'
import type { Mesh } from '../../../core/geometry/mesh'
import type { Foot } from '../../../core/record/schema'
import type { Side } from '../../../core/tables/vocabulary'

/** A made-up foot with what was measured and examined on it, different for every seed. */
export function madeUpFoot(seed: number): Foot {
  const { next } = seeded(seed)
  const L = 200 + 110 * next()
  const reading = (
    what:
      'footLengthMm' | 'forefootWidthMm' | 'heelWidthMm' | 'navicularHeightMm' | 'secondToeLeadMm',
    value: number,
  ) => ({ what, posture: 'standing' as const, trials: [value], struck: [] })
  return {
    readings: [
      reading('footLengthMm', L),
      reading('forefootWidthMm', 0.377 * L + 14 * (next() - 0.5)),
      reading('navicularHeightMm', 30 + 30 * next()),
      reading('heelWidthMm', L * (0.235 + 0.03 * next())),
      reading('secondToeLeadMm', -8 + 12 * next()),
    ],
    findings: {
      forefootDeg: [16 * (next() - 0.4)],
      neutralPalpatedDeg: [6 * (next() - 0.5)],
      firstRay: { rest: 'level' },
    },
  }
}

export interface MadeUpScan {
  foot: Foot
  side: Side
  sole: Sole
  bytes: Uint8Array
  name: string
  /** a point of the sole's own frame in the scan's space, mm */
  inScan: (x: number, y: number) => [number, number, number]
}

/**
 * A stand-in scan of a made-up foot as a file: side, leg, toes, format, unit, holes and pose all
 * change with the seed.
 */
export function madeUpScan(seed: number, fault?: Fault, leg?: ScanOptions['leg']): MadeUpScan {
  const foot = madeUpFoot(seed)
  const side: Side = seed % 2 ? 'right' : 'left'
  const unit = UNITS[seed % 4]!
  const format = MESH_FORMATS[Math.floor(seed / 2) % 4]!
  const options: ScanOptions = {
    rows: HOUSE_NORMS,
    seed,
    turned: true,
    noiseMm: 0.3,
    holes: fault === 'coverage' ? 0 : seed % 4,
    leg: leg ?? (['capped', 'open', 'sole-only'] as const)[seed % 3]!,
    separateToes: seed % 5 !== 0,
    unit,
    ...(fault && { fault, amount: usualFault(fault, HOUSE_NORMS).amount }),
  }
  const sole = createSole(soleParameters(foot, HOUSE_NORMS)!.parameters)
  // Only those who ask where a point went pay for finding it out.
  let pose: MadeUpScan['inScan'] | null = null
  const mesh = standinScan(foot, side, options)
  // Every second PLY is a cloud of points without faces.
  const cloud = format === 'ply' && seed % 8 >= 4 && fault === undefined
  return {
    foot,
    side,
    sole,
    bytes: writeMesh(
      format,
      cloud ? { ...mesh, triangles: new Uint32Array() } : mesh,
      'scan',
      unit,
    ),
    name: `scan.${format}`,
    inScan: (x, y) => (pose ??= poseOf(foot, side, options, sole))(x, y),
  }
}

/** How the stand-in turned a foot: three points of the same scan, still and turned, tell it. */
function poseOf(foot: Foot, side: Side, options: ScanOptions, sole: Sole): MadeUpScan['inScan'] {
  const clear = {
    ...options,
    noiseMm: 0,
    holes: 0,
    fault: undefined,
    leg: 'sole-only' as const,
    unit: 'mm' as const,
  }
  const [still, turned] = [
    standinScan(foot, side, { ...clear, turned: false }),
    turnedLike(foot, side, options, clear),
  ]
  const picks = [0, 0.4, 0.8].map((t) => 3 * Math.floor((t * still.positions.length) / 3))
  const basis = (m: Mesh) => {
    const at = (i: number) => [m.positions[i]!, m.positions[i + 1]!, m.positions[i + 2]!]
    const o = at(picks[0]!)
    const u = unitOf(sub(at(picks[1]!), o))
    const w0 = sub(at(picks[2]!), o)
    const w = unitOf(
      sub(
        w0,
        u.map((v) => v * dotOf(w0, u)),
      ),
    )
    return { o, axes: [u, w, crossOf(u, w)] }
  }
  const [a, b] = [basis(still), basis(turned)]
  return (x, y) => {
    const d = sub([side === 'right' ? -x : x, y, sole.height(x, y)], a.o)
    const c = a.axes.map((axis) => dotOf(d, axis))
    return [0, 1, 2].map(
      (k) => b.o[k]! + c[0]! * b.axes[0]![k]! + c[1]! * b.axes[1]![k]! + c[2]! * b.axes[2]![k]!,
    ) as [number, number, number]
  }
}

/**
 * The pose follows the holes in the stand-in's run of numbers, so they are made and their faces
 * left unused.
 */
const turnedLike = (foot: Foot, side: Side, options: ScanOptions, clear: ScanOptions): Mesh =>
  standinScan(foot, side, { ...clear, holes: options.holes, turned: true })

const sub = (a: readonly number[], b: readonly number[]) => a.map((v, k) => v - b[k]!)
const dotOf = (a: readonly number[], b: readonly number[]) =>
  a.reduce((s, v, k) => s + v * b[k]!, 0)
const unitOf = (a: readonly number[]) =>
  a.map((v) => v / Math.hypot(...(a as [number, number, number])))
const crossOf = (a: readonly number[], b: readonly number[]) => [
  a[1]! * b[2]! - a[2]! * b[1]!,
  a[2]! * b[0]! - a[0]! * b[2]!,
  a[0]! * b[1]! - a[1]! * b[0]!,
]

/** Reads and captures a scan as the application does; the side is the tool's own guess. */
export function captured(scan: MadeUpScan): { open: OpenScan; foot: CapturedFoot } {
  const open = openScan(readMesh(scan.name, scan.bytes))
  return { open, foot: captureFoot(open, open.rough.guess.side, scan.foot, {}, HOUSE_NORMS) }
}
