import type { FlatTriangle } from './plateBending'

const ALPHA = 1.5
/** Shares of the higher part, β1 … β9. */
const BETA = [1, 2, 1, 0, 1, -1, -1, -1, -2] as const
/** Poisson's ratio of a half would leave the higher part without any stiffness. */
const LEAST_BETA0 = 0.01

/**
 * What a membrane triangle with drilling corners is made of; columns u, v, θz of corner 1, 2, 3.
 */
export interface MembraneParts {
  areaMm2: number
  beta0: number
  /** mean strain, 3 × 9 */
  mean: Float64Array
  /** rotations of the corners less the mean one, 3 × 9 */
  corner: Float64Array
  /** strain of the higher part per corner rotation at corner 1, 2, 3: three of 3 × 3 */
  higher: readonly Float64Array[]
}

/**
 * The optimal membrane triangle with drilling freedoms, without its material.
 *
 * @param poisson sets how much the higher part counts
 * @source Felippa 2003, optimal triangles with drilling freedoms
 */
export function membraneParts({ x, y }: FlatTriangle, poisson: number): MembraneParts {
  const dx = (i: number, j: number) => x[i]! - x[j]!
  const dy = (i: number, j: number) => y[i]! - y[j]!
  const A = 0.5 * (dx(1, 0) * dy(2, 0) - dx(2, 0) * dy(1, 0))
  const mean = new Float64Array(27)
  const corner = new Float64Array(27)
  for (let n = 0; n < 3; n++) {
    const [i, j, k] = [n, (n + 1) % 3, (n + 2) % 3]
    // L of the corner over A·t: half of the thickness falls out.
    const f = 1 / (2 * A)
    const put = (row: number, column: number, value: number) =>
      (mean[9 * row + 3 * n + column] = f * value)
    put(0, 0, dy(j, k))
    put(2, 0, dx(k, j))
    put(1, 1, dx(k, j))
    put(2, 1, dy(j, k))
    put(0, 2, (ALPHA / 6) * dy(j, k) * (dy(i, k) - dy(j, i)))
    put(1, 2, (ALPHA / 6) * dx(k, j) * (dx(k, i) - dx(i, j)))
    put(2, 2, (ALPHA / 3) * (dx(k, i) * dy(i, k) - dx(i, j) * dy(j, i)))
    for (let row = 0; row < 3; row++) {
      corner[9 * row + 3 * n] = dx(k, j) / (4 * A)
      corner[9 * row + 3 * n + 1] = dy(k, j) / (4 * A)
      corner[9 * row + 3 * n + 2] = row === n ? 1 : 0
    }
  }
  const l2 = [
    dx(1, 0) ** 2 + dy(1, 0) ** 2,
    dx(2, 1) ** 2 + dy(2, 1) ** 2,
    dx(0, 2) ** 2 + dy(0, 2) ** 2,
  ]
  // Natural strains along the sides 1–2, 2–3, 3–1 to x, y, xy.
  const g = 1 / (4 * A * A)
  const Te = [
    [
      g * dy(1, 2) * dy(0, 2) * l2[0]!,
      g * dy(2, 0) * dy(1, 0) * l2[1]!,
      g * dy(0, 1) * dy(2, 1) * l2[2]!,
    ],
    [
      g * dx(1, 2) * dx(0, 2) * l2[0]!,
      g * dx(2, 0) * dx(1, 0) * l2[1]!,
      g * dx(0, 1) * dx(2, 1) * l2[2]!,
    ],
    [
      g * (dy(1, 2) * dx(2, 0) + dx(2, 1) * dy(0, 2)) * l2[0]!,
      g * (dy(2, 0) * dx(0, 1) + dx(0, 2) * dy(1, 0)) * l2[1]!,
      g * (dy(0, 1) * dx(1, 2) + dx(1, 0) * dy(2, 1)) * l2[2]!,
    ],
  ]
  const b = (k: number) => BETA[k - 1]!
  const Q = [
    [b(1), b(2), b(3), b(4), b(5), b(6), b(7), b(8), b(9)],
    [b(9), b(7), b(8), b(3), b(1), b(2), b(6), b(4), b(5)],
    [b(5), b(6), b(4), b(8), b(9), b(7), b(2), b(3), b(1)],
  ].map((q) => q.map((v, k) => ((2 * A) / 3) * (v / l2[Math.floor(k / 3)]!)))
  const higher = Q.map((q) => {
    const out = new Float64Array(9)
    for (let r = 0; r < 3; r++)
      for (let c = 0; c < 3; c++)
        out[3 * r + c] = Te[r]![0]! * q[c]! + Te[r]![1]! * q[3 + c]! + Te[r]![2]! * q[6 + c]!
    return out
  })
  return {
    areaMm2: A,
    beta0: Math.max(0.5 * (1 - 4 * poisson * poisson), LEAST_BETA0),
    mean,
    corner,
    higher,
  }
}

/** Strain rows (3 × 9) of the membrane at area coordinates ζ. */
export function membraneRows(
  parts: MembraneParts,
  zeta: readonly [number, number, number],
  out: Float64Array,
): Float64Array {
  const f = 1.5 * Math.sqrt(parts.beta0)
  for (let r = 0; r < 3; r++) {
    const h = [0, 1, 2].map(
      (c) =>
        f *
        (zeta[0] * parts.higher[0]![3 * r + c]! +
          zeta[1] * parts.higher[1]![3 * r + c]! +
          zeta[2] * parts.higher[2]![3 * r + c]!),
    )
    for (let c = 0; c < 9; c++)
      out[9 * r + c] =
        parts.mean[9 * r + c]! +
        h[0]! * parts.corner[c]! +
        h[1]! * parts.corner[9 + c]! +
        h[2]! * parts.corner[18 + c]!
  }
  return out
}
