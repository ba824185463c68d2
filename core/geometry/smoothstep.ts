/**
 * Cubic ease between two values: 0 up to `a`, 1 from `b` on, t²(3 − 2t) between. With a > b it
 * falls instead of rising.
 *
 * @example smoothstep(0.5, 0, 1) // 0.5
 */
export function smoothstep(value: number, a: number, b: number): number {
  const t = Math.min(1, Math.max(0, (value - a) / (b - a)))
  return t * t * (3 - 2 * t)
}
