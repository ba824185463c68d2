import { columnX, rowY, type Grid } from '../../geometry/grid'
import { leastSquares } from '../../geometry/leastSquares'

/** The sole seen from below on a grid; NaN where no surface was seen. */
export type SoleGrid = Grid

/** Surface higher than this over the floor is not sole any more, mm. */
const HIGHEST_MM = 48

/** An empty grid around a foot of a length and width. */
export function emptyGrid(lengthMm: number, halfWidthMm: number, stepMm: number): SoleGrid {
  const columns = Math.ceil((2 * halfWidthMm) / stepMm)
  const rows = Math.ceil((lengthMm + 20) / stepMm)
  return {
    x0: -(columns * stepMm) / 2,
    y0: -8,
    stepMm,
    columns,
    rows,
    z: new Float64Array(columns * rows).fill(NaN),
  }
}

/**
 * Faces lower than this are sole for sure: they tell which way round the faces that look down are
 * wound, mm.
 */
const SURE_MM = 8

/**
 * Sign of the winding, seen from above, of most of the low faces; 0 when they do not agree, as in
 * faces laid through a cloud.
 */
function windingBelow(p: Float64Array, t: Uint32Array): -1 | 0 | 1 {
  let [plus, all] = [0, 0]
  for (let i = 0; i < t.length; i += 3) {
    const [a, b, c] = [3 * t[i]!, 3 * t[i + 1]!, 3 * t[i + 2]!]
    if (p[a + 2]! > SURE_MM || p[b + 2]! > SURE_MM || p[c + 2]! > SURE_MM) continue
    const det =
      (p[b]! - p[a]!) * (p[c + 1]! - p[a + 1]!) - (p[c]! - p[a]!) * (p[b + 1]! - p[a + 1]!)
    all += Math.abs(det)
    if (det > 0) plus += det
  }
  return all === 0 ? 0 : plus > 0.8 * all ? 1 : plus < 0.2 * all ? -1 : 0
}

/**
 * Lowest height of a mesh over every cell's middle, mm; points are in the foot's frame. Only faces
 * that look down count: through a gap in the sole the instep's back must not pass for it.
 */
export function rasterLow(grid: SoleGrid, p: Float64Array, t: Uint32Array): SoleGrid {
  const winding = windingBelow(p, t)
  const { x0, y0, stepMm, columns, rows, z } = grid
  for (let i = 0; i < t.length; i += 3) {
    const [a, b, c] = [3 * t[i]!, 3 * t[i + 1]!, 3 * t[i + 2]!]
    const [za, zb, zc] = [p[a + 2]!, p[b + 2]!, p[c + 2]!]
    if (za > HIGHEST_MM || zb > HIGHEST_MM || zc > HIGHEST_MM) continue
    const [xa, ya, xb, yb, xc, yc] = [p[a]!, p[a + 1]!, p[b]!, p[b + 1]!, p[c]!, p[c + 1]!]
    const det = (xb - xa) * (yc - ya) - (xc - xa) * (yb - ya)
    if (Math.abs(det) < 1e-9 || det * winding < 0) continue
    const c0 = Math.max(0, Math.ceil((Math.min(xa, xb, xc) - x0) / stepMm - 0.5))
    const c1 = Math.min(columns - 1, Math.floor((Math.max(xa, xb, xc) - x0) / stepMm - 0.5))
    const r0 = Math.max(0, Math.ceil((Math.min(ya, yb, yc) - y0) / stepMm - 0.5))
    const r1 = Math.min(rows - 1, Math.floor((Math.max(ya, yb, yc) - y0) / stepMm - 0.5))
    for (let r = r0; r <= r1; r++) {
      const dy = y0 + (r + 0.5) * stepMm - ya
      for (let k = c0; k <= c1; k++) {
        const dx = x0 + (k + 0.5) * stepMm - xa
        const u = (dx * (yc - ya) - (xc - xa) * dy) / det
        const v = ((xb - xa) * dy - dx * (yb - ya)) / det
        if (u < -1e-9 || v < -1e-9 || u + v > 1 + 1e-9) continue
        const h = za + u * (zb - za) + v * (zc - za)
        const at = r * columns + k
        if (!(z[at]! <= h)) z[at] = h
      }
    }
  }
  return grid
}

/**
 * A grid smoothed by a Gaussian over what was seen (weights of unseen cells are left out); cells
 * that were not seen stay NaN.
 *
 * @param sigmaMm standard deviation of the Gaussian, mm
 */
export function smoothed(grid: SoleGrid, sigmaMm: number): SoleGrid {
  const { columns, rows, stepMm } = grid
  const reach = Math.ceil((3 * sigmaMm) / stepMm)
  const kernel = Float64Array.from({ length: 2 * reach + 1 }, (_, k) =>
    Math.exp(-0.5 * (((k - reach) * stepMm) / sigmaMm) ** 2),
  )
  const pass = (value: Float64Array, weight: Float64Array, along: 1 | 0) => {
    const outV = new Float64Array(value.length)
    const outW = new Float64Array(value.length)
    for (let r = 0; r < rows; r++)
      for (let c = 0; c < columns; c++) {
        let [v, w] = [0, 0]
        const from = along ? c - reach : r - reach
        const last = along ? columns : rows
        for (let k = Math.max(0, -from); k < kernel.length && from + k < last; k++) {
          const j = along ? r * columns + from + k : (from + k) * columns + c
          v += kernel[k]! * value[j]!
          w += kernel[k]! * weight[j]!
        }
        outV[r * columns + c] = v
        outW[r * columns + c] = w
      }
    return [outV, outW] as const
  }
  const seen = grid.z.map((v) => (Number.isNaN(v) ? 0 : 1))
  const [v1, w1] = pass(
    grid.z.map((v) => (Number.isNaN(v) ? 0 : v)),
    Float64Array.from(seen),
    1,
  )
  const [v2, w2] = pass(v1, w1, 0)
  return { ...grid, z: grid.z.map((v, i) => (Number.isNaN(v) ? NaN : v2[i]! / w2[i]!)) }
}

/**
 * Least-squares plane z = a + b·x + c·y over the seen cells that a test picks; null with fewer than
 * 12.
 */
export function planeOf(
  grid: SoleGrid,
  pick: (x: number, y: number) => boolean,
): { a: number; b: number; c: number } | null {
  const cells: [number[], number][] = []
  for (let i = 0; i < grid.z.length; i++) {
    const [x, y] = [columnX(grid, i % grid.columns), rowY(grid, Math.floor(i / grid.columns))]
    if (!Number.isNaN(grid.z[i]!) && pick(x, y)) cells.push([[1, x, y], grid.z[i]!])
  }
  const fit = cells.length < 12 ? null : leastSquares(cells)
  return fit && { a: fit[0]!, b: fit[1]!, c: fit[2]! }
}
