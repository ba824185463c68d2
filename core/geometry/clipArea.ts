export type Point = readonly [number, number]

/**
 * Area of the part of a convex polygon on the near side of a line: points with p·direction ≤ limit
 * (one step of Sutherland & Hodgman).
 *
 * @param polygon corners in order, mm
 * @param direction unit vector across the line
 * @example clipArea([[0, 0], [1, 0], [1, 1], [0, 1]], [0, 1], 0.25) // 0.25
 */
export function clipArea(polygon: readonly Point[], direction: Point, limit: number): number {
  const height = ([x, y]: Point) => x * direction[0] + y * direction[1] - limit
  const kept: Point[] = []
  polygon.forEach((p, i) => {
    const q = polygon[(i + 1) % polygon.length]!
    const [hp, hq] = [height(p), height(q)]
    if (hp <= 0) kept.push(p)
    if ((hp < 0 && hq > 0) || (hp > 0 && hq < 0)) {
      const t = hp / (hp - hq)
      kept.push([p[0] + t * (q[0] - p[0]), p[1] + t * (q[1] - p[1])])
    }
  })
  let twice = 0
  kept.forEach(([x, y], i) => {
    const [x2, y2] = kept[(i + 1) % kept.length]!
    twice += x * y2 - x2 * y
  })
  return Math.abs(twice) / 2
}
