import { median } from 'd3-array'
import { sampleGrid } from '../../geometry/grid'
import type { OutlineRows } from './outlineRows'
import { FOOT_REFERENCE } from './references'
import type { SoleGrid } from './soleGrid'

type Point = [number, number]

/** How far a pad may lie from where feet usually have it, mm (one standard deviation). */
const USUAL_MM = 4
/**
 * A pad this far below its surroundings is as good a sign as one standard deviation of place, mm.
 */
const PAD_MM = 1.7
const SEARCH_MM = 9

/**
 * Both borders beside a place, as the middle of what the rows around say: a hole in the rim must
 * not move a head.
 */
function usualBorders(
  grid: SoleGrid,
  rows: OutlineRows,
  y: number,
): { medial: number; lateral: number } | null {
  const near = (line: Float64Array) =>
    median(
      line.filter(
        (v, r) => !Number.isNaN(v) && Math.abs(grid.y0 + (r + 0.5) * grid.stepMm - y) < 10,
      ),
    )
  const [medial, lateral] = [near(rows.medial), near(rows.lateral)]
  return medial === undefined || lateral === undefined ? null : { medial, lateral }
}

/** Where a met head is expected from the plan alone. */
export function expectedHead(
  grid: SoleGrid,
  rows: OutlineRows,
  rearMm: number,
  lengthMm: number,
  k: number,
): Point {
  const y = rearMm + FOOT_REFERENCE.headShare[k]! * lengthMm
  const border = usualBorders(grid, rows, y)
  return border
    ? [border.lateral + FOOT_REFERENCE.headAcross[k]! * (border.medial - border.lateral), y]
    : [0, y]
}

/**
 * A pad near an expected place: the most likely of all cells around it, weighing how far the sole
 * there stands out downwards (fine less coarse smoothing, so that a tilted sole does not shift it)
 * against how unusual the place is.
 *
 * @param fine sole smoothed over 3 mm
 * @param coarse sole smoothed over 9 mm
 */
export function padNear(fine: SoleGrid, coarse: SoleGrid, [ex, ey]: Point): Point {
  let best = { score: Infinity, x: ex, y: ey }
  for (let dy = -SEARCH_MM; dy <= SEARCH_MM; dy++)
    for (let dx = -SEARCH_MM; dx <= SEARCH_MM; dx++) {
      const [x, y] = [ex + dx, ey + dy]
      const depth = sampleGrid(fine, x, y) - sampleGrid(coarse, x, y)
      if (Number.isNaN(depth)) continue
      const score = depth / PAD_MM + (dx * dx + dy * dy) / (2 * USUAL_MM ** 2)
      if (score < best.score) best = { score, x, y }
    }
  return [best.x, best.y]
}
