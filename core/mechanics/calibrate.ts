import type { SoleField } from '../device/soleField'
import { contactGround, type LoadName } from './contact'

/** Peaks of a measured barefoot picture of this client, kPa of a 5 mm mean, under the load they were taken with. */
export interface MeasuredPeaks {
  heelKPa?: number
  headsKPa?: number
}

export interface Calibration {
  /** one factor on all moduli of the tissue; 1 is the law's own */
  stiffer: number
  before: { heelKPa: number; headsKPa: number }
  after: { heelKPa: number; headsKPa: number }
}

/** A factor beyond these says that the picture or the load is another than was told. */
export const CALIBRATION_BOUNDS = [0.4, 2.5] as const
const TOLERANCE = 1e-3
const GOLDEN = (Math.sqrt(5) - 1) / 2

/**
 * One factor on the tissue's stiffness, so that the barefoot peaks of the model come as near as they can to what was measured (least squares of the
 * logarithms, golden section). Shape and region stay the law's.
 *
 * @returns null without a measured peak
 */
export function calibrateTissue(field: SoleField, massKg: number, measured: MeasuredPeaks, load: LoadName = 'standing'): Calibration | null {
  const asked = [measured.heelKPa, measured.headsKPa]
  if (!asked.some((v) => v !== undefined && v > 0)) return null
  const peaks = (stiffer: number) => {
    const { peakKPa: p } = contactGround(field, massKg, load, undefined, stiffer).floor
    return { heelKPa: Math.max(p.heelMedial, p.heelLateral), headsKPa: Math.max(p.head1, p.head2, p.head3, p.head4, p.head5) }
  }
  const off = (ln: number) => {
    const p = peaks(Math.exp(ln))
    return [[measured.heelKPa, p.heelKPa], [measured.headsKPa, p.headsKPa]].reduce((s, [m, k]) => (m !== undefined && m > 0 && k! > 0 ? s + Math.log(k! / m) ** 2 : s), 0)
  }
  let [a, b] = [Math.log(CALIBRATION_BOUNDS[0]), Math.log(CALIBRATION_BOUNDS[1])]
  let [c, d] = [b - GOLDEN * (b - a), a + GOLDEN * (b - a)]
  let [fc, fd] = [off(c), off(d)]
  while (b - a > TOLERANCE) {
    if (fc < fd) {
      b = d
      d = c
      fd = fc
      c = b - GOLDEN * (b - a)
      fc = off(c)
    } else {
      a = c
      c = d
      fc = fd
      d = a + GOLDEN * (b - a)
      fd = off(d)
    }
  }
  const stiffer = Math.exp((a + b) / 2)
  return { stiffer, before: peaks(1), after: peaks(stiffer) }
}
