import type { Grid } from './grid'

/** A flat triangulation of the part of a grid where a field is positive; vertices lie on cell centres or on the zero line between two. */
export interface Domain {
  /** xy pairs, mm */
  points: Float64Array
  /** for interpolating any cell array: the two cells of each vertex and the share of the second */
  cellA: Uint32Array
  cellB: Uint32Array
  share: Float64Array
  /** corner indices, counter-clockwise seen from above */
  triangles: Uint32Array
}

/** Least distance of a cut from a cell centre, as a share of the edge, so that no sliver has zero area. */
const CUT_MARGIN = 0.02

/**
 * Triangulates {field > 0} by marching triangles: every grid square is two triangles, clipped where the field changes sign. Shared edges
 * share vertices, so the border is a set of closed loops without pinches.
 *
 * @param inside field value per cell, mm
 */
export function clipDomain(grid: Omit<Grid, 'z'>, inside: Float64Array): Domain {
  const { columns, rows } = grid
  const size = columns * rows
  const index = new Map<number, number>()
  const a: number[] = []
  const b: number[] = []
  const share: number[] = []
  const triangles: number[] = []

  const vertex = (from: number, to: number): number => {
    const [low, high] = from < to ? [from, to] : [to, from]
    const key = low * size + high
    const known = index.get(key)
    if (known !== undefined) return known
    const fl = inside[low]!
    const fh = inside[high]!
    a.push(low)
    b.push(high)
    share.push(low === high ? 0 : Math.min(1 - CUT_MARGIN, Math.max(CUT_MARGIN, fl / (fl - fh))))
    index.set(key, a.length - 1)
    return a.length - 1
  }

  const clip = (corners: readonly [number, number, number]) => {
    const polygon: number[] = []
    for (let k = 0; k < 3; k++) {
      const from = corners[k]!
      const to = corners[(k + 1) % 3]!
      if (inside[from]! > 0) polygon.push(vertex(from, from))
      if (inside[from]! > 0 !== inside[to]! > 0) polygon.push(vertex(from, to))
    }
    for (let k = 1; k + 1 < polygon.length; k++) triangles.push(polygon[0]!, polygon[k]!, polygon[k + 1]!)
  }

  for (let row = 0; row + 1 < rows; row++)
    for (let column = 0; column + 1 < columns; column++) {
      const p = row * columns + column
      clip([p, p + 1, p + 1 + columns])
      clip([p, p + 1 + columns, p + columns])
    }

  const points = new Float64Array(a.length * 2)
  for (let i = 0; i < a.length; i++) {
    const t = share[i]!
    const at = (cell: number) => [grid.x0 + ((cell % columns) + 0.5) * grid.stepMm, grid.y0 + (Math.floor(cell / columns) + 0.5) * grid.stepMm] as const
    const [ax, ay] = at(a[i]!)
    const [bx, by] = at(b[i]!)
    points[2 * i] = ax + t * (bx - ax)
    points[2 * i + 1] = ay + t * (by - ay)
  }
  return { points, cellA: Uint32Array.from(a), cellB: Uint32Array.from(b), share: Float64Array.from(share), triangles: Uint32Array.from(triangles) }
}

/** A cell array at every vertex of a domain. */
export function interpolateOn(domain: Domain, cells: Float64Array): Float64Array {
  const out = new Float64Array(domain.share.length)
  for (let i = 0; i < out.length; i++) out[i] = cells[domain.cellA[i]!]! * (1 - domain.share[i]!) + cells[domain.cellB[i]!]! * domain.share[i]!
  return out
}
