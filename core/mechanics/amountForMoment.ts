import { FIT_RANGE } from './fitRange'
import { findAmount } from './findAmount'

/** One amount of a device that is looked for backwards. */
export interface Searched {
  /**
   * change of moment against the plain device with this amount, N·mm; the rest of the device as it
   * is
   */
  momentAt: (amount: number) => number
  /** where it may lie */
  range: readonly [number, number]
  /** usual most: beyond it the answer is told with a watch */
  usualMost: number
  step: number
}

/** Within the usual, over it, or out of reach. */
export type AmountVerdict = 'within' | 'over' | 'out of reach'

export interface AmountForMoment {
  /** rounded to the step the bench works in; null where nothing in the range does it */
  amount: number | null
  momentNmm: number
  /**
   * amounts at which the low and the high end of the estimate would do it; null where that lies
   * beyond the range
   */
  between: [number | null, number | null]
  verdict: AmountVerdict
  /** the curve, for drawing: amount and moment */
  curve: [number, number][]
}

const POINTS = 7
const TOLERANCE_NMM = 4

/**
 * How much of one amount brings this moment: sought on the model itself, the curve beside it drawn
 * from a few points.
 *
 * @param wantedNmm change against the plain device, + supination
 */
export function amountForMoment(
  { momentAt, range, usualMost, step }: Searched,
  wantedNmm: number,
): AmountForMoment {
  const known = new Map<number, number>()
  const at = (amount: number) => {
    const found = known.get(amount) ?? momentAt(amount)
    known.set(amount, found)
    return found
  }
  const curve = Array.from({ length: POINTS }, (_, k): [number, number] => {
    const amount = range[0] + ((range[1] - range[0]) * k) / (POINTS - 1)
    return [amount, at(amount)]
  })
  const seek = (wanted: number) => findAmount(at, wanted, range, TOLERANCE_NMM)
  const found = seek(wantedNmm)
  const amount = found.reached ? Math.round(found.amount / step) * step : null
  const edge = (share: number) => {
    const at = seek(wantedNmm / share)
    return at.reached ? at.amount : null
  }
  return {
    amount,
    momentNmm: amount === null ? found.does : at(amount),
    // If the model tells too much, more is needed; if it tells too little, less.
    between: found.reached ? [edge(FIT_RANGE[1]), edge(FIT_RANGE[0])] : [null, null],
    verdict: !found.reached
      ? 'out of reach'
      : Math.abs(amount!) > usualMost + 1e-9
        ? 'over'
        : 'within',
    curve,
  }
}
