import type { ShellModel } from './shellModel'

/** One point where the foundation is felt: the middle of an edge. */
export interface FoundationSample {
  a: number
  b: number
  /** uz there, by uz θx θy of a and of b */
  by: readonly [number, number, number, number, number, number]
  /** spring, N/mm */
  k: number
  gapMm: number
}

/**
 * Where a foundation is sampled: edge midpoints, each with a third of the plan area of its
 * triangles. The deflection there follows the plate's own cubic: u = ½(u1 + u2) + ⅛(θ1 − θ2) × (x2
 * − x1).
 */
export function foundationSamples({
  verticesMm,
  triangles,
  foundation,
}: ShellModel): FoundationSample[] {
  if (!foundation) return []
  const found = new Map<number, FoundationSample>()
  const n = verticesMm.length
  triangles.forEach((t, e) => {
    const k = foundation.perTriangle[e]!
    if (!(k > 0)) return
    const [p, q, r] = t.map((v) => verticesMm[v]!)
    const planMm2 =
      Math.abs((q![0] - p![0]) * (r![1] - p![1]) - (r![0] - p![0]) * (q![1] - p![1])) / 2
    for (let s = 0; s < 3; s++) {
      const [i, j] = [t[s]!, t[(s + 1) % 3]!]
      const [a, b] = i < j ? [i, j] : [j, i]
      const known = found.get(a * n + b)
      if (known) {
        known.k += (k * planMm2) / 3
        continue
      }
      const [dx, dy] = [
        verticesMm[b]![0] - verticesMm[a]![0],
        verticesMm[b]![1] - verticesMm[a]![1],
      ]
      const gap =
        foundation.unilateral && foundation.gapMm
          ? (foundation.gapMm[a]! + foundation.gapMm[b]!) / 2
          : 0
      found.set(a * n + b, {
        a,
        b,
        by: [0.5, dy / 8, -dx / 8, 0.5, -dy / 8, dx / 8],
        k: (k * planMm2) / 3,
        gapMm: gap,
      })
    }
  })
  return [...found.values()]
}

/** uz at a sample, mm. */
export const deflectionAt = ({ a, b, by }: FoundationSample, u: ArrayLike<number>): number =>
  by[0] * u[6 * a + 2]! +
  by[1] * u[6 * a + 3]! +
  by[2] * u[6 * a + 4]! +
  by[3] * u[6 * b + 2]! +
  by[4] * u[6 * b + 3]! +
  by[5] * u[6 * b + 4]!
