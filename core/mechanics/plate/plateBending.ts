/** Curvatures of the DKT triangle: rows κx, κy, κxy; columns w, θx, θy of corner 1, 2, 3. */
export type BendingRows = Float64Array

/** Corners of a triangle in its own plane, mm. */
export interface FlatTriangle {
  x: readonly [number, number, number]
  y: readonly [number, number, number]
}

/**
 * Strain of the plate per mm of height over its middle, of the discrete Kirchhoff triangle at (ξ,
 * η) = (L2, L3). θx = w,y and θy = −w,x.
 *
 * @param out 27 numbers, row by row, 1/mm (for w) and 1 (for rotations) per mm
 * @source Batoz, Bathe and Ho 1980; explicit form Batoz 1982
 */
export function bendingRows(
  { x, y }: FlatTriangle,
  xi: number,
  eta: number,
  out: BendingRows,
): BendingRows {
  // Sides 4, 5, 6 lie between corners 2–3, 3–1, 1–2.
  const side = (i: 0 | 1 | 2, j: 0 | 1 | 2) => {
    const [dx, dy] = [x[i] - x[j], y[i] - y[j]]
    const l2 = dx * dx + dy * dy
    return { P: (-6 * dx) / l2, t: (-6 * dy) / l2, q: (3 * dx * dy) / l2, r: (3 * dy * dy) / l2 }
  }
  const [s4, s5, s6] = [side(1, 2), side(2, 0), side(0, 1)]
  const [a, b] = [1 - 2 * xi, 1 - 2 * eta]
  const hxXi = [
    s6.P * a + (s5.P - s6.P) * eta,
    s6.q * a - (s5.q + s6.q) * eta,
    -4 + 6 * (xi + eta) + s6.r * a - eta * (s5.r + s6.r),
    -s6.P * a + eta * (s4.P + s6.P),
    s6.q * a - eta * (s6.q - s4.q),
    -2 + 6 * xi + s6.r * a + eta * (s4.r - s6.r),
    -eta * (s5.P + s4.P),
    eta * (s4.q - s5.q),
    -eta * (s5.r - s4.r),
  ]
  const hyXi = [
    s6.t * a + eta * (s5.t - s6.t),
    1 + s6.r * a - eta * (s5.r + s6.r),
    -s6.q * a + eta * (s5.q + s6.q),
    -s6.t * a + eta * (s4.t + s6.t),
    -1 + s6.r * a + eta * (s4.r - s6.r),
    -s6.q * a - eta * (s4.q - s6.q),
    -eta * (s4.t + s5.t),
    eta * (s4.r - s5.r),
    -eta * (s4.q - s5.q),
  ]
  const hxEta = [
    -s5.P * b - xi * (s6.P - s5.P),
    s5.q * b - xi * (s5.q + s6.q),
    -4 + 6 * (xi + eta) + s5.r * b - xi * (s5.r + s6.r),
    xi * (s4.P + s6.P),
    xi * (s4.q - s6.q),
    -xi * (s6.r - s4.r),
    s5.P * b - xi * (s4.P + s5.P),
    s5.q * b + xi * (s4.q - s5.q),
    -2 + 6 * eta + s5.r * b + xi * (s4.r - s5.r),
  ]
  const hyEta = [
    -s5.t * b - xi * (s6.t - s5.t),
    1 + s5.r * b - xi * (s5.r + s6.r),
    -s5.q * b + xi * (s5.q + s6.q),
    xi * (s4.t + s6.t),
    xi * (s4.r - s6.r),
    -xi * (s4.q - s6.q),
    s5.t * b - xi * (s4.t + s5.t),
    -1 + s5.r * b + xi * (s4.r - s5.r),
    -s5.q * b - xi * (s4.q - s5.q),
  ]
  const [x31, x12, y31, y12] = [x[2] - x[0], x[0] - x[1], y[2] - y[0], y[0] - y[1]]
  const f = 1 / (x31 * y12 - x12 * y31)
  for (let k = 0; k < 9; k++) {
    out[k] = f * (y31 * hxXi[k]! + y12 * hxEta[k]!)
    out[9 + k] = f * (-x31 * hyXi[k]! - x12 * hyEta[k]!)
    out[18 + k] = f * (-x31 * hxXi[k]! - x12 * hxEta[k]! + y31 * hyXi[k]! + y12 * hyEta[k]!)
  }
  return out
}
