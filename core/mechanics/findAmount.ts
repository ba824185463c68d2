/** Where an amount was found that does what was asked. */
export interface FoundAmount {
  amount: number
  /** what it does there */
  does: number
  /** false: even the nearest end of the range does not do it */
  reached: boolean
}

const MOST_TRIES = 14

/**
 * The amount whose effect is the one asked, between two limits: the effect may rise or fall with it
 * (regula falsi, Illinois rule, halved where it stalls). Where the limits do not enclose it, the
 * nearer limit is returned as not reached.
 *
 * @param effect of an amount; called about ten times
 * @param tolerance how near is near enough, in units of the effect
 * @example findAmount((d) => 60 * d, 150, [0, 6], 1).amount // 2.5
 */
export function findAmount(
  effect: (amount: number) => number,
  asked: number,
  [low, high]: readonly [number, number],
  tolerance: number,
): FoundAmount {
  let [a, b] = [low, high]
  let [fa, fb] = [effect(a) - asked, effect(b) - asked]
  const ends = [fa, fb]
  if (Math.abs(fa) <= tolerance) return { amount: a, does: fa + asked, reached: true }
  if (fa * fb > 0) {
    const first = Math.abs(ends[0]!) <= Math.abs(ends[1]!)
    return {
      amount: first ? low : high,
      does: (first ? ends[0]! : ends[1]!) + asked,
      reached: Math.min(Math.abs(fa), Math.abs(fb)) <= tolerance,
    }
  }
  let [best, fBest] = Math.abs(fa) < Math.abs(fb) ? [a, fa] : [b, fb]
  let side = 0
  for (let k = 0; k < MOST_TRIES && Math.abs(fBest) > tolerance; k++) {
    let c = k % 5 === 4 ? (a + b) / 2 : (a * fb - b * fa) / (fb - fa)
    if (!(c > Math.min(a, b) && c < Math.max(a, b))) c = (a + b) / 2
    const fc = effect(c) - asked
    if (Math.abs(fc) < Math.abs(fBest)) [best, fBest] = [c, fc]
    if (fc * fb > 0) {
      b = c
      fb = fc
      if (side === -1) fa /= 2
      side = -1
    } else {
      a = c
      fa = fc
      if (side === 1) fb /= 2
      side = 1
    }
  }
  return { amount: best, does: fBest + asked, reached: true }
}
