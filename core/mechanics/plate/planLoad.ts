import type { PlanMesh } from './planMesh'

/**
 * A triangle is looked at in so many small parts along each side, so that a load's edge may run
 * through it.
 */
const PARTS = 4

/** An ellipse on the plan. */
export interface PlanEllipse {
  x: number
  y: number
  rx: number
  ry: number
}

export const inEllipse = ({ x, y, rx, ry }: PlanEllipse, px: number, py: number): boolean =>
  ((px - x) / rx) ** 2 + ((py - y) / ry) ** 2 <= 1

/**
 * Shares of an even pressure on a part of the plan by vertex: they sum to 1.
 *
 * @returns null when no triangle lies in it
 */
export function loadShares(
  { points, triangles }: PlanMesh,
  inside: (x: number, y: number) => boolean,
): Float64Array | null {
  const share = new Float64Array(points.length)
  let sum = 0
  for (const t of triangles) {
    const [p, q, r] = [points[t[0]]!, points[t[1]]!, points[t[2]]!]
    const area = Math.abs((q[0] - p[0]) * (r[1] - p[1]) - (r[0] - p[0]) * (q[1] - p[1])) / 2
    for (let i = 0; i < PARTS; i++)
      for (let j = 0; j < PARTS - i; j++)
        for (const third of i + j < PARTS - 1 ? [1 / 3, 2 / 3] : [1 / 3]) {
          const [b, c] = [(i + third) / PARTS, (j + third) / PARTS]
          const a = 1 - b - c
          if (!inside(a * p[0] + b * q[0] + c * r[0], a * p[1] + b * q[1] + c * r[1])) continue
          share[t[0]]! += a * area
          share[t[1]]! += b * area
          share[t[2]]! += c * area
          sum += area
        }
  }
  return sum > 0 ? share.map((v) => v / sum) : null
}
