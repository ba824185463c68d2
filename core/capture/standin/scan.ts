import { createSole } from '../../device/sole'
import { soleParameters, type SoleRows } from '../../device/soleParameters'
import { firstRayRestMm, heldNeutral } from '../../examine/heldAs'
import { MM_PER, type Unit } from '../../geometry/units'
import type { Mesh } from '../../geometry/mesh'
import { bestMean } from '../../measure/reading'
import { Refusal } from '../../record/refusal'
import type { Foot } from '../../record/schema'
import type { Side } from '../../tables/vocabulary'
import { soleFault, type Fault } from './faults'
import { footBody, type FootBody } from './footBody'
import { seeded } from './random'

/** How the stand-in scanner takes its picture. */
export interface ScanOptions {
  seed: number
  fault?: Fault
  /** in the fault's unit */
  amount?: number
  leg?: FootBody['leg']
  separateToes?: boolean
  noiseMm?: number
  /** holes of about 8 mm across */
  holes?: number
  unit?: Unit
  /** any pose, as scanners give it; else standing in the foot's frame */
  turned?: boolean
  /** what an unmeasured part of the foot is taken to be */
  rows: SoleRows
}

type Vector = [number, number, number]

/** A turn by a random unit quaternion (Shoemake 1992). */
function randomTurn(next: () => number): (v: Vector) => Vector {
  const [u, v, w] = [next(), 2 * Math.PI * next(), 2 * Math.PI * next()]
  const [x, y, z, s] = [
    Math.sqrt(1 - u) * Math.sin(v),
    Math.sqrt(1 - u) * Math.cos(v),
    Math.sqrt(u) * Math.sin(w),
    Math.sqrt(u) * Math.cos(w),
  ]
  return ([a, b, c]) => {
    const [tx, ty, tz] = [2 * (y * c - z * b), 2 * (z * a - x * c), 2 * (x * b - y * a)]
    return [
      a + s * tx + y * tz - z * ty,
      b + s * ty + z * tx - x * tz,
      c + s * tz + x * ty - y * tx,
    ]
  }
}

/**
 * The stand-in scanner: a scan of a foot made up from its readings, with noise, holes, any pose and
 * unit, and on request one positioning fault. It shares nothing with what finds landmarks or judges
 * a capture.
 *
 * @throws Refusal when there is no foot length to build on
 */
export function standinScan(foot: Foot, side: Side, options: ScanOptions): Mesh {
  const found = soleParameters(foot, options.rows)
  if (!found)
    throw new Refusal(
      'no-length',
      'The stand-in scanner needs the foot length first.',
      `feet.${side}.readings.footLengthMm`,
    )
  const { next, normal } = seeded(options.seed)
  const sole = createSole(found.parameters)
  const L = found.parameters.lengthMm
  const amount = options.amount ?? 0
  const body: FootBody = {
    dorsumMm: bestMean(foot, 'dorsumHeightMm', 'standing') ?? 0.24 * L,
    toeMm: bestMean(foot, 'toeBoxHeightMm', 'standing') ?? 0.095 * L,
    malleolusMm: bestMean(foot, 'medialMalleolusHeightMm', 'standing') ?? 0.31 * L,
    leg: options.leg ?? 'capped',
    separateToes: options.separateToes ?? true,
    legTiltDeg: heldNeutral(foot.findings).deg + (options.fault === 'heelUpright' ? amount : 0),
  }
  const fault = soleFault(sole, options.fault, amount)
  // The first head rests as it was examined, as the same bend that a held ray would make.
  const ray = soleFault(sole, 'firstRay', firstRayRestMm(foot.findings) ?? 0)
  const whole = footBody(sole, body, (x, y) => fault(x, y) + ray(x, y))
  const mesh = withHoles(
    whole,
    options.holes ?? 0,
    options.fault === 'coverage' ? amount / 100 : 0,
    L,
    next,
  )
  const turn = options.turned ? randomTurn(next) : (v: Vector) => v
  const away: Vector = options.turned
    ? [400 * next() - 200, 400 * next() - 200, 400 * next() - 200]
    : [0, 0, 0]
  const mirror = side === 'left' ? 1 : -1
  const scale = 1 / MM_PER[options.unit ?? 'mm']
  const noise = options.noiseMm ?? 0
  const positions = new Float64Array(mesh.positions.length)
  for (let i = 0; i < positions.length; i += 3) {
    const at = turn([
      mirror * mesh.positions[i]! + noise * normal(),
      mesh.positions[i + 1]! + noise * normal(),
      mesh.positions[i + 2]! + noise * normal(),
    ])
    for (let k = 0; k < 3; k++) positions[i + k] = (at[k]! + away[k]!) * scale
  }
  const triangles = Uint32Array.from(mesh.triangles)
  if (mirror < 0)
    for (let i = 0; i < triangles.length; i += 3)
      [triangles[i + 1], triangles[i + 2]] = [triangles[i + 2]!, triangles[i + 1]!]
  return { positions, triangles }
}

/** Small round holes anywhere, and a share of the sole that was not seen: a band across. */
function withHoles(
  mesh: Mesh,
  holes: number,
  lostShare: number,
  lengthMm: number,
  next: () => number,
): Mesh {
  if (holes === 0 && lostShare === 0) return mesh
  const { positions: p, triangles: t } = mesh
  const centres = Array.from(
    { length: holes },
    () => 3 * t[3 * Math.floor((next() * t.length) / 3)]!,
  )
  const lostFrom = (0.35 + 0.3 * next()) * lengthMm
  const lostTo = endOfLost(mesh, lostFrom, lostShare)
  const kept: number[] = []
  for (let i = 0; i < t.length; i += 3) {
    const a = 3 * t[i]!
    const low = Math.max(p[a + 2]!, p[3 * t[i + 1]! + 2]!, p[3 * t[i + 2]! + 2]!) < 26
    const lost = lostShare > 0 && low && p[a + 1]! > lostFrom && p[a + 1]! < lostTo
    if (
      !lost &&
      !centres.some(
        (c) => Math.hypot(p[a]! - p[c]!, p[a + 1]! - p[c + 1]!, p[a + 2]! - p[c + 2]!) < 4,
      )
    )
      kept.push(t[i]!, t[i + 1]!, t[i + 2]!)
  }
  return { positions: p, triangles: Uint32Array.from(kept) }
}

/** How far forward of a line the sole must go unseen so that a share of its plan is lost. */
function endOfLost({ positions: p, triangles: t }: Mesh, fromY: number, share: number): number {
  const faces: { y: number; area: number }[] = []
  for (let i = 0; i < t.length; i += 3) {
    const [a, b, c] = [3 * t[i]!, 3 * t[i + 1]!, 3 * t[i + 2]!]
    const area =
      -((p[b]! - p[a]!) * (p[c + 1]! - p[a + 1]!) - (p[c]! - p[a]!) * (p[b + 1]! - p[a + 1]!)) / 2
    if (area > 0 && Math.max(p[a + 2]!, p[b + 2]!, p[c + 2]!) < 26)
      faces.push({ y: p[a + 1]!, area })
  }
  let left = share * faces.reduce((sum, f) => sum + f.area, 0)
  for (const { y, area } of faces.filter((f) => f.y > fromY).sort((a, b) => a.y - b.y))
    if ((left -= area) <= 0) return y
  return Infinity
}
