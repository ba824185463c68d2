type Point = readonly [number, number]

/**
 * A closed line as mean radii around a middle; `gap` is the longest run of directions that hold no
 * point.
 */
export interface Ring {
  points: [number, number][]
  gap: number
}

/**
 * Mean radius of points in every direction from a middle: uneven points and noise then matter
 * little.
 */
export function ringAround(points: readonly Point[], [cx, cy]: Point, directions: number): Ring {
  const radius = new Float64Array(directions)
  const count = new Float64Array(directions)
  for (const [x, y] of points) {
    const k =
      Math.floor(((Math.atan2(y - cy, x - cx) / (2 * Math.PI) + 1) % 1) * directions) % directions
    radius[k]! += Math.hypot(x - cx, y - cy)
    count[k]!++
  }
  const ring: [number, number][] = []
  let [run, gap] = [0, 0]
  // Twice around, so that a gap over the first direction counts whole.
  for (let k = 0; k < 2 * directions; k++) {
    run = count[k % directions] === 0 ? run + 1 : 0
    gap = Math.max(gap, Math.min(run, directions))
    if (k >= directions || count[k] === 0) continue
    const [a, r] = [((k + 0.5) / directions) * 2 * Math.PI, radius[k]! / count[k]!]
    ring.push([cx + r * Math.cos(a), cy + r * Math.sin(a)])
  }
  return { points: ring, gap }
}
