import type { Grid } from './grid'

/**
 * A flat triangulation of the part of a grid where a field is positive; vertices lie on cell
 * centres or on the zero line between two.
 */
export interface Domain {
  /** xy pairs, mm */
  points: Float64Array
  /** for interpolating any cell array: the two cells of each vertex and the share of the second */
  cellA: Uint32Array
  cellB: Uint32Array
  share: Float64Array
  /** corner indices, counter-clockwise seen from above */
  triangles: Uint32Array
  /** pairs of corner indices along the zero line, the domain to their left */
  border: Uint32Array
}

/**
 * Least distance of a cut from a cell centre, as a share of the edge, so that no sliver has zero
 * area.
 */
const CUT_MARGIN = 0.02

/**
 * Triangulates {field > 0} by marching triangles: every grid square is two triangles, clipped where
 * the field changes sign. Shared edges share vertices, so the border is a set of closed loops
 * without pinches. The field must be negative along the grid's own edge.
 *
 * @param inside field value per cell, mm
 */
export function clipDomain(grid: Omit<Grid, 'z'>, inside: Float64Array): Domain {
  const { columns, rows } = grid
  const size = columns * rows
  // Vertices by where they lie: on a cell, or on one of the three edges that leave it (right, up,
  // diagonal).
  const index = new Int32Array(4 * size).fill(-1)
  const a: number[] = []
  const b: number[] = []
  const share: number[] = []
  const triangles: number[] = []
  const border: number[] = []

  const vertex = (from: number, to: number): number => {
    const low = from < to ? from : to
    const high = from < to ? to : from
    const step = high - low
    const slot = low + size * (step === 0 ? 0 : step === 1 ? 1 : step === columns ? 2 : 3)
    const known = index[slot]!
    if (known >= 0) return known
    const fl = inside[low]!
    const fh = inside[high]!
    a.push(low)
    b.push(high)
    share.push(step === 0 ? 0 : Math.min(1 - CUT_MARGIN, Math.max(CUT_MARGIN, fl / (fl - fh))))
    index[slot] = a.length - 1
    return a.length - 1
  }

  const polygon = [0, 0, 0, 0]
  const isCut = [false, false, false, false]
  const clip = (c0: number, c1: number, c2: number) => {
    const [i0, i1, i2] = [inside[c0]! > 0, inside[c1]! > 0, inside[c2]! > 0]
    if (!i0 && !i1 && !i2) return
    let count = 0
    for (let k = 0; k < 3; k++) {
      const from = k === 0 ? c0 : k === 1 ? c1 : c2
      const to = k === 0 ? c1 : k === 1 ? c2 : c0
      const here = k === 0 ? i0 : k === 1 ? i1 : i2
      const there = k === 0 ? i1 : k === 1 ? i2 : i0
      if (here) {
        isCut[count] = false
        polygon[count++] = vertex(from, from)
      }
      if (here !== there) {
        isCut[count] = true
        polygon[count++] = vertex(from, to)
      }
    }
    for (let k = 1; k + 1 < count; k++) triangles.push(polygon[0]!, polygon[k]!, polygon[k + 1]!)
    // Only the zero line joins two vertices that both lie between cells.
    for (let k = 0; k < count; k++)
      if (isCut[k] && isCut[(k + 1) % count]) border.push(polygon[k]!, polygon[(k + 1) % count]!)
  }

  for (let row = 0; row + 1 < rows; row++)
    for (let column = 0; column + 1 < columns; column++) {
      const p = row * columns + column
      clip(p, p + 1, p + 1 + columns)
      clip(p, p + 1 + columns, p + columns)
    }

  const points = new Float64Array(a.length * 2)
  for (let i = 0; i < a.length; i++) {
    const t = share[i]!
    const [ca, cb] = [a[i]!, b[i]!]
    const column = (ca % columns) * (1 - t) + (cb % columns) * t
    const row = Math.floor(ca / columns) * (1 - t) + Math.floor(cb / columns) * t
    points[2 * i] = grid.x0 + (column + 0.5) * grid.stepMm
    points[2 * i + 1] = grid.y0 + (row + 0.5) * grid.stepMm
  }
  return {
    points,
    cellA: Uint32Array.from(a),
    cellB: Uint32Array.from(b),
    share: Float64Array.from(share),
    triangles: Uint32Array.from(triangles),
    border: Uint32Array.from(border),
  }
}

/** A cell array at every vertex of a domain. */
export function interpolateOn(domain: Domain, cells: Float64Array): Float64Array {
  const out = new Float64Array(domain.share.length)
  for (let i = 0; i < out.length; i++)
    out[i] =
      cells[domain.cellA[i]!]! * (1 - domain.share[i]!) +
      cells[domain.cellB[i]!]! * domain.share[i]!
  return out
}
