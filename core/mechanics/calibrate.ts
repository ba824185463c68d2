import type { SoleRows } from '../device/soleParameters'
import { footField } from '../device/footField'
import type { SoleField } from '../geometry/soleField'
import { CONTACT_KPA } from '../measure/footprint'
import type { Footprint } from '../record/footprintSchema'
import type { Foot } from '../record/schema'
import { contactOnFloor, type LoadName } from './contact'
import { regionFigures, regionsOf, SENSOR_MM } from './pressureRegions'

/**
 * Peaks of a measured barefoot picture of this client, kPa of a 5 mm mean, under the load they were
 * taken with.
 */
export interface MeasuredPeaks {
  heelKPa?: number
  headsKPa?: number
  /** width over which a sensor takes the mean, mm */
  sensorMm?: number
}

/** What a plate said of a foot that stood on it. */
export interface PlatePeaks extends Required<MeasuredPeaks> {
  forceN: number
}

export interface Calibration {
  /** one factor on all moduli of the tissue; 1 is the law's own */
  stiffer: number
  before: { heelKPa: number; headsKPa: number }
  after: { heelKPa: number; headsKPa: number }
}

/** A factor beyond these says that the picture or the load is another than was told. */
const CALIBRATION_BOUNDS = [0.4, 2.5] as const
const TOLERANCE = 1e-3
const GOLDEN = (Math.sqrt(5) - 1) / 2

/**
 * One factor on the tissue's stiffness, so that the barefoot peaks of the model come as near as
 * they can to what was measured (least squares of the logarithms, golden section). Shape and region
 * stay the law's.
 *
 * @returns null without a measured peak
 */
export function calibrateTissue(
  field: SoleField,
  massKg: number,
  measured: MeasuredPeaks,
  load: LoadName = 'standing',
): Calibration | null {
  const asked = [measured.heelKPa, measured.headsKPa]
  const { sensorMm = SENSOR_MM } = measured
  if (!asked.some((v) => v !== undefined && v > 0)) return null
  const regions = regionsOf(field)
  const peaks = (stiffer: number) => {
    const { floor } = contactOnFloor(field, massKg, load, undefined, stiffer)
    const { peakKPa: p } =
      sensorMm === SENSOR_MM
        ? floor
        : regionFigures(field, regions, floor.solution.pressure, sensorMm)
    return {
      heelKPa: Math.max(p.heelMedial, p.heelLateral),
      headsKPa: Math.max(p.head1, p.head2, p.head3, p.head4, p.head5),
    }
  }
  const off = (ln: number) => {
    const p = peaks(Math.exp(ln))
    return [
      [measured.heelKPa, p.heelKPa],
      [measured.headsKPa, p.headsKPa],
    ].reduce((s, [m, k]) => (m !== undefined && m > 0 && k! > 0 ? s + Math.log(k! / m) ** 2 : s), 0)
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

/**
 * Heel, and ball in front of the midfoot, as shares of the print's length from its rear edge: well
 * inside what the model calls heel and heads.
 */
const HEEL_ENDS = 0.3
const BALL = [0.58, 0.82] as const
/** Fields of calibration are so coarse, mm: one number is looked for. */
const CALIBRATION_STEP_MM = 4

/**
 * Peaks of a plate's picture under heel and ball, of a 5 mm mean where its cells are finer, of a
 * cell where they are coarser.
 *
 * @returns null where hardly anything touched
 */
export function platePeaks({ kPa, cellMm }: Footprint): PlatePeaks | null {
  const across = Math.max(1, Math.round(SENSOR_MM / cellMm))
  const rows = kPa
    .map((row, r) => ({ r, touched: row.some((v) => v >= CONTACT_KPA) }))
    .filter((row) => row.touched)
  if (rows.length < 5) return null
  const [front, rear] = [rows[0]!.r, rows.at(-1)!.r]
  const share = (r: number) => (rear - r + 0.5) / (rear - front + 1)
  let [heelKPa, headsKPa, forceN] = [0, 0, 0]
  for (let r = front; r <= rear; r++)
    for (let c = 0; c < kPa[r]!.length; c++) {
      forceN += kPa[r]![c]! * cellMm * cellMm * 1e-3
      let [sum, n] = [0, 0]
      for (let i = 0; i < across; i++)
        for (let j = 0; j < across; j++) {
          sum += kPa[r + i]?.[c + j] ?? 0
          n++
        }
      const mean = sum / n
      const at = share(r + (across - 1) / 2)
      if (at < HEEL_ENDS) heelKPa = Math.max(heelKPa, mean)
      else if (at > BALL[0] && at < BALL[1]) headsKPa = Math.max(headsKPa, mean)
    }
  return { heelKPa, headsKPa, forceN, sensorMm: across * cellMm }
}

export interface TissueFit extends Calibration {
  measured: PlatePeaks
  /**
   * set where the plate carried much more or less than half the body weight: was the other foot on
   * the floor?
   */
  doubt: string | null
}

/** A plate that carried half the body weight within this factor is taken at its word. */
const HALF_WEIGHT = 1.35

/**
 * The tissue factor of a foot from its plate picture, under the force the plate felt.
 *
 * @returns null without a picture or a foot length
 */
export function calibrationOf(foot: Foot, massKg: number, rows: SoleRows): TissueFit | null {
  const measured = foot.footprint && platePeaks(foot.footprint)
  const field = measured && footField(foot, rows, CALIBRATION_STEP_MM)?.field
  if (!measured || !field) return null
  const half = 0.5 * massKg * 9.81
  const fit = calibrateTissue(field, (massKg * measured.forceN) / half, measured)
  if (!fit) return null
  const ratio = measured.forceN / half
  const [low, high] = CALIBRATION_BOUNDS
  const atEnd = fit.stiffer < low * 1.01 || fit.stiffer > high / 1.01
  const doubt =
    ratio > HALF_WEIGHT || ratio < 1 / HALF_WEIGHT
      ? `The plate felt ${measured.forceN.toFixed(0)} N where half the body weight is ${half.toFixed(0)} N: was the other foot on the floor, and is the weight right?`
      : atEnd
        ? 'No factor within reason meets this picture: was it taken standing still, barefoot?'
        : null
  return { ...fit, measured, doubt }
}
