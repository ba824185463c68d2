import { row } from '../stations/bands'

/** Bands that laced and soft footwear have in common, mm. */
export const SHOE_BANDS = {
  ball: row([0, 2], [0, 3], [1, 4], [2, 6]),
  toeBox: row([0, 3], [0, 4], [1, 5], [2, 7]),
  toeBoxHeight: row([1, 4], [1, 5], [2, 6], [3, 9]),
  waist: row([-1, 2], [-1, 3], [0, 4], [0, 5]),
  instep: row([-1, 2], [-1, 3], [0, 4], [0, 5]),
  instepHeight: row([-1, 3], [0, 4], [0, 5], [1, 7]),
}
