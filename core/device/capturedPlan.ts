import { movingMean, rowEnds, rowY, sampleGrid, type Grid } from '../geometry/grid'
import type { CapturedSurface } from '../record/captureSchema'
import type { SoleField, SolePlan } from '../geometry/soleField'

/**
 * Rows of a captured border are averaged over this, mm: the outline of a device must not follow
 * single points.
 */
const SMOOTH_MM = 7

/** Borders, heads and toes of a captured sole, for layers and outlines to be placed by. */
export function capturedPlan(surface: CapturedSurface, grid: Grid, heelCentreY: number): SolePlan {
  const { stepMm } = grid
  const { from, to } = rowEnds(grid)
  const border = (cells: Float64Array, shift: 0 | 1) => {
    const mean = movingMean(cells, Math.round(SMOOTH_MM / 2 / stepMm)).map(
      (c) => grid.x0 + (c + shift) * stepMm,
    )
    const valid = [...mean.keys()].filter(
      (r) => !Number.isNaN(mean[r]!) && rowY(grid, r) >= heelCentreY - 2,
    )
    const [first, last] = [valid[0] ?? 0, valid.at(-1) ?? 0]
    return (y: number) => {
      const f = Math.min(last, Math.max(first, (y - grid.y0) / stepMm - 0.5))
      const i = Math.min(last - 1, Math.floor(f))
      return mean[i]! + (f - i) * (mean[i + 1]! - mean[i]!)
    }
  }
  return {
    medial: border(to, 1),
    lateral: border(from, 0),
    heads: surface.heads,
    toes: surface.toes,
  }
}

/**
 * How many cells around the captured sole follow it: the border beyond keeps the step that it has
 * at the edge.
 */
const OUTWARD = 40

/**
 * Puts captured heights into a sampled sole. Outside the captured plan the closed form goes on,
 * moved by what it misses at the nearest captured cell, so that rims and walls join without a step.
 */
export function layCaptured(field: SoleField, grid: Grid): void {
  const { columns, rows } = field
  const miss = new Float64Array(field.z.length).fill(NaN)
  let front: number[] = []
  for (let i = 0; i < miss.length; i++) {
    const [x, y] = [field.x[i]!, field.y[i]!]
    if (
      x < grid.x0 ||
      y < grid.y0 ||
      x > grid.x0 + grid.columns * grid.stepMm ||
      y > grid.y0 + grid.rows * grid.stepMm
    )
      continue
    const z = sampleGrid(grid, x, y)
    if (Number.isNaN(z)) continue
    miss[i] = z - field.z[i]!
    front.push(i)
  }
  for (let step = 0; step < OUTWARD && front.length > 0; step++) {
    const next = new Map<number, [number, number]>()
    for (const i of front)
      for (const d of [1, -1, columns, -columns]) {
        const j = i + d
        if (j < 0 || j >= columns * rows || !Number.isNaN(miss[j]!)) continue
        const known = next.get(j) ?? [0, 0]
        next.set(j, [known[0] + miss[i]!, known[1] + 1])
      }
    for (const [j, [sum, n]] of next) miss[j] = sum / n
    front = [...next.keys()]
  }
  for (let i = 0; i < miss.length; i++) if (!Number.isNaN(miss[i]!)) field.z[i]! += miss[i]!
}
