import type { SoleField } from '../geometry/soleField'
import { sulcusMm } from './tissue'

/** Regions of a pressure picture, heel to toes; met heads from the inside out. */
const PRESSURE_REGIONS = [
  'heelMedial',
  'heelLateral',
  'midfootMedial',
  'midfootLateral',
  'head1',
  'head2',
  'head3',
  'head4',
  'head5',
  'toes',
] as const
export type PressureRegion = (typeof PRESSURE_REGIONS)[number]

const HEEL_SHARE = 0.31
const MIDFOOT_BEHIND_MM = 30
/** Peaks of heads are looked for here only, so that a pad behind them is not counted as theirs. */
const HEAD_WINDOW_MM = [-12, 14] as const
/** Peaks are of a moving mean so wide, as a sensor sees it, mm. */
export const SENSOR_MM = 5

export interface RegionFigures {
  /** share of the load, per cent */
  share: Record<PressureRegion, number>
  /** highest pressure of a 5 mm moving mean, kPa */
  peakKPa: Record<PressureRegion, number>
  /** the highest of them all and its place */
  peakAt: { xMm: number; yMm: number }
}

/**
 * Region of every cell, by index into the list; −1 outside the plan. Cut at fixed places of the
 * foot, whatever lies under it.
 */
export function regionsOf(field: SoleField): Int8Array {
  const out = new Int8Array(field.x.length).fill(-1)
  const { heads } = field.sole
  const sulcus = Array.from({ length: field.columns }, (_, c) =>
    sulcusMm(field, field.x0 + (c + 0.5) * field.stepMm),
  )
  for (let i = 0; i < out.length; i++) {
    if (!field.mask[i]) continue
    const x = field.x[i]!
    if (field.s[i]! < HEEL_SHARE) out[i] = x >= 0 ? 0 : 1
    else if (field.q[i]! > sulcus[i % field.columns]!) out[i] = 9
    else if (field.q[i]! < -MIDFOOT_BEHIND_MM) out[i] = field.u[i]! >= 0.5 ? 2 : 3
    else {
      let best = 0
      for (let k = 1; k < 5; k++)
        if (Math.abs(x - heads[k]!.x) < Math.abs(x - heads[best]!.x)) best = k
      out[i] = 4 + best
    }
  }
  return out
}

/**
 * Moving mean over a square of a grid, 5 × 5 mm as a rule, separable; cells outside the plan count
 * as unloaded. Nothing is loaded near the grid's edge.
 */
export function sensorMean(
  { columns, rows, stepMm }: Pick<SoleField, 'columns' | 'rows' | 'stepMm'>,
  pressure: Float64Array,
  sensorMm: number = SENSOR_MM,
): Float64Array {
  const reach = Math.max(1, Math.ceil(sensorMm / 2 / stepMm - 0.5))
  const edge = Math.max(0, (sensorMm / stepMm - (2 * reach - 1)) / 2)
  const inner = Math.min(1, stepMm / sensorMm)
  const outer = (edge * stepMm) / sensorMm
  // Across a row, then down: the same sum with another stride.
  const along = (from: Float64Array, stride: number): Float64Array => {
    const out = new Float64Array(from.length)
    const margin = reach * stride
    for (let i = margin; i < out.length - margin; i++) {
      let sum = outer * (from[i - margin]! + from[i + margin]!)
      for (let k = i - margin + stride; k < i + margin; k += stride) sum += inner * from[k]!
      out[i] = sum
    }
    return out
  }
  return rows > 2 * reach ? along(along(pressure, 1), columns) : pressure
}

/** Load shares and peaks by region of a pressure picture in MPa. */
export function regionFigures(
  field: SoleField,
  regions: Int8Array,
  pressure: Float64Array,
  sensorMm: number = SENSOR_MM,
): RegionFigures {
  const sums = PRESSURE_REGIONS.map(() => 0)
  const peaks = PRESSURE_REGIONS.map(() => 0)
  const mean = sensorMean(field, pressure, sensorMm)
  let [whole, top] = [0, 0]
  for (let i = 0; i < pressure.length; i++) {
    const r = regions[i]!
    if (r < 0) continue
    sums[r]! += pressure[i]!
    whole += pressure[i]!
    if (mean[i]! > mean[top]!) top = i
    const head = r >= 4 && r <= 8
    if (head && (field.q[i]! <= HEAD_WINDOW_MM[0] || field.q[i]! >= HEAD_WINDOW_MM[1])) continue
    if (mean[i]! > peaks[r]!) peaks[r] = mean[i]!
  }
  const by = (list: readonly number[]) =>
    Object.fromEntries(PRESSURE_REGIONS.map((name, r) => [name, list[r]!])) as Record<
      PressureRegion,
      number
    >
  return {
    share: by(sums.map((v) => (whole > 0 ? (100 * v) / whole : 0))),
    peakKPa: by(peaks.map((v) => 1000 * v)),
    peakAt: { xMm: field.x[top]!, yMm: field.y[top]! },
  }
}
