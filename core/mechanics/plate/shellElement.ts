import { bendingRows, type FlatTriangle } from './plateBending'
import { membraneParts, membraneRows } from './membrane'

/** A flat piece of shell in space: its own axes (rows e1, e2, e3) and its corners in them. */
export interface Placed {
  axes: Float64Array
  flat: FlatTriangle
  areaMm2: number
}

type Point = readonly [number, number, number]

/** Local frame of a triangle: e1 along side 1–2, e3 its normal. */
export function place(a: Point, b: Point, c: Point): Placed {
  const u = [b[0] - a[0], b[1] - a[1], b[2] - a[2]] as const
  const v = [c[0] - a[0], c[1] - a[1], c[2] - a[2]] as const
  const n = [
    u[1] * v[2] - u[2] * v[1],
    u[2] * v[0] - u[0] * v[2],
    u[0] * v[1] - u[1] * v[0],
  ] as const
  const [lu, ln] = [Math.hypot(...u), Math.hypot(...n)]
  const e1 = u.map((t) => t / lu) as [number, number, number]
  const e3 = n.map((t) => t / ln) as [number, number, number]
  const e2 = [
    e3[1] * e1[2] - e3[2] * e1[1],
    e3[2] * e1[0] - e3[0] * e1[2],
    e3[0] * e1[1] - e3[1] * e1[0],
  ] as const
  const dot = (p: readonly number[], q: readonly number[]) =>
    p[0]! * q[0]! + p[1]! * q[1]! + p[2]! * q[2]!
  return {
    axes: Float64Array.from([...e1, ...e2, ...e3]),
    flat: { x: [0, lu, dot(v, e1)], y: [0, 0, dot(v, e2)] },
    areaMm2: ln / 2,
  }
}

/** Plane stress, MPa: rows x, y, xy. */
function planeStress(youngMPa: number, poisson: number): readonly [number, number, number] {
  const e = youngMPa / (1 - poisson * poisson)
  return [e, e * poisson, (e * (1 - poisson)) / 2]
}

/** Adds f·Rᵀ·E·R to a symmetric n × n, where R has three rows and E is plane stress. */
function addWork(
  R: Float64Array,
  n: number,
  [d, o, s]: readonly [number, number, number],
  f: number,
  out: Float64Array,
): void {
  for (let i = 0; i < n; i++) {
    const [a, b, c] = [
      f * (d * R[i]! + o * R[n + i]!),
      f * (o * R[i]! + d * R[n + i]!),
      f * s * R[2 * n + i]!,
    ]
    for (let j = 0; j < n; j++) out[n * i + j]! += a * R[j]! + b * R[n + j]! + c * R[2 * n + j]!
  }
}

const MIDS = [
  [0.5, 0],
  [0.5, 0.5],
  [0, 0.5],
] as const
const CORNERS = [
  [1, 0, 0],
  [0, 1, 0],
  [0, 0, 1],
] as const
const MEMBRANE_AT = [0, 1, 5] as const
const BENDING_AT = [2, 3, 4] as const
const work = {
  bend: new Float64Array(81),
  skin: new Float64Array(81),
  rows: new Float64Array(27),
  local: new Float64Array(324),
  half: new Float64Array(324),
  q: new Float64Array(9),
  kTheta: new Float64Array(9),
}

/**
 * Stiffness of a flat shell triangle, 18 × 18, unknowns ux uy uz θx θy θz of each corner in space:
 * discrete Kirchhoff plate and optimal membrane with drilling freedoms.
 *
 * @param out 324 numbers, N/mm, N and N·mm
 */
export function elementStiffness(
  placed: Placed,
  thicknessMm: number,
  youngMPa: number,
  poisson: number,
  out: Float64Array,
): Float64Array {
  const E = planeStress(youngMPa, poisson)
  const { flat, axes } = placed
  const t = thicknessMm
  const bend = work.bend.fill(0)
  for (const [xi, eta] of MIDS)
    addWork(bendingRows(flat, xi, eta, work.rows), 9, E, ((placed.areaMm2 / 3) * t ** 3) / 12, bend)
  const parts = membraneParts(flat, poisson)
  const skin = work.skin.fill(0)
  addWork(parts.mean, 9, E, parts.areaMm2 * t, skin)
  // The higher part, taken at the middles of the sides, works on the corner rotations alone.
  const kTheta = work.kTheta.fill(0)
  for (let side = 0; side < 3; side++) {
    const [p, q] = [parts.higher[side]!, parts.higher[(side + 1) % 3]!]
    for (let k = 0; k < 9; k++) work.q[k] = 0.5 * (p[k]! + q[k]!)
    addWork(work.q, 3, E, 0.75 * parts.beta0 * parts.areaMm2 * t, kTheta)
  }
  const { corner } = parts
  for (let i = 0; i < 9; i++)
    for (let r = 0; r < 3; r++) {
      const f =
        corner[i]! * kTheta[r]! + corner[9 + i]! * kTheta[3 + r]! + corner[18 + i]! * kTheta[6 + r]!
      for (let j = 0; j < 9; j++) skin[9 * i + j]! += f * corner[9 * r + j]!
    }
  const local = work.local.fill(0)
  for (let m = 0; m < 3; m++)
    for (let n = 0; n < 3; n++)
      for (let i = 0; i < 3; i++)
        for (let j = 0; j < 3; j++) {
          local[18 * (6 * m + MEMBRANE_AT[i]!) + 6 * n + MEMBRANE_AT[j]!] =
            skin[9 * (3 * m + i) + 3 * n + j]!
          local[18 * (6 * m + BENDING_AT[i]!) + 6 * n + BENDING_AT[j]!] =
            bend[9 * (3 * m + i) + 3 * n + j]!
        }
  // Into space: each triple of unknowns turns by the axes.
  const half = work.half
  for (let i = 0; i < 18; i++)
    for (let b = 0; b < 18; b += 3)
      for (let c = 0; c < 3; c++)
        half[18 * i + b + c] =
          local[18 * i + b]! * axes[c]! +
          local[18 * i + b + 1]! * axes[3 + c]! +
          local[18 * i + b + 2]! * axes[6 + c]!
  for (let b = 0; b < 18; b += 3)
    for (let c = 0; c < 3; c++)
      for (let j = 0; j < 18; j++)
        out[18 * (b + c) + j] =
          axes[c]! * half[18 * b + j]! +
          axes[3 + c]! * half[18 * (b + 1) + j]! +
          axes[6 + c]! * half[18 * (b + 2) + j]!
  return out
}

/** Strain and stress of one surface of the shell at a corner, in the element's own axes. */
export interface SurfaceState {
  strain: [number, number, number]
  /** equivalent stress (von Mises), MPa */
  stressMPa: number
  /** largest principal strain by size */
  principal: number
}

/**
 * Strain and equivalent stress at the three corners, above and below: membrane ± half the thickness
 * times the curvature.
 *
 * @param u 18 unknowns of the corners in space
 * @returns six states: corner 1 above, corner 1 below, corner 2 above …
 */
export function surfaceStates(
  placed: Placed,
  thicknessMm: number,
  youngMPa: number,
  poisson: number,
  u: ArrayLike<number>,
): SurfaceState[] {
  const { flat, axes } = placed
  const local = new Float64Array(18)
  for (let b = 0; b < 18; b += 3)
    for (let r = 0; r < 3; r++)
      local[b + r] =
        axes[3 * r]! * u[b]! + axes[3 * r + 1]! * u[b + 1]! + axes[3 * r + 2]! * u[b + 2]!
  const skin = Float64Array.from(
    { length: 9 },
    (_, k) => local[6 * Math.floor(k / 3) + MEMBRANE_AT[k % 3]!]!,
  )
  const bent = Float64Array.from(
    { length: 9 },
    (_, k) => local[6 * Math.floor(k / 3) + BENDING_AT[k % 3]!]!,
  )
  const parts = membraneParts(flat, poisson)
  const times = (rows: Float64Array, v: Float64Array) =>
    [0, 1, 2].map((r) => v.reduce((s, x, k) => s + rows[9 * r + k]! * x, 0))
  const [d, o, s] = planeStress(youngMPa, poisson)
  return CORNERS.flatMap((zeta) => {
    const mean = times(membraneRows(parts, zeta, work.rows), skin)
    const curve = times(bendingRows(flat, zeta[1], zeta[2], work.rows), bent)
    return [0.5, -0.5].map((h): SurfaceState => {
      const e = mean.map((v, k) => v + h * thicknessMm * curve[k]!) as [number, number, number]
      const [sx, sy, sxy] = [d * e[0] + o * e[1], o * e[0] + d * e[1], s * e[2]]
      const [middle, radius] = [(e[0] + e[1]) / 2, Math.hypot((e[0] - e[1]) / 2, e[2] / 2)]
      return {
        strain: e,
        stressMPa: Math.sqrt(Math.max(0, sx * sx - sx * sy + sy * sy + 3 * sxy * sxy)),
        principal: middle >= 0 ? middle + radius : middle - radius,
      }
    })
  })
}
