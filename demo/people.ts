import { withBestBlank } from '../core/device/blanks'
import { HOUSE_NORMS, HOUSE_TABLES } from '../core/record/tables'
import { footSchema, RECORD_VERSION, recordSchema, type FittingRecord } from '../core/record/schema'
import type { DeviceKind, Posture } from '../core/tables/vocabulary'
import { SIGN_KINDS } from '../core/kinds/signs/all'
import type { ReadingKind } from '../core/kinds/readings/all'

/**
 * A made-up pair of feet of a length, widths and girths by its own shares, one side a little
 * longer.
 */
export function madeUpFeet(
  lengthMm: number,
  shares: { width: number; waist: number; drop: number },
): { left: { readings: unknown[] }; right: { readings: unknown[] } } {
  const side = (more: number) => {
    const length = lengthMm + more
    const rows: [ReadingKind, Posture, number][] = [
      ['footLengthMm', 'sitting', length - 3],
      ['footLengthMm', 'standing', length],
      ['archLengthMm', 'standing', 0.73 * length],
      ['forefootWidthMm', 'standing', shares.width * length],
      ['heelWidthMm', 'standing', 0.245 * length],
      ['waistGirthMm', 'standing', shares.waist * length],
      ['heelInstepGirthMm', 'standing', 1.26 * length],
      ['dorsumHeightMm', 'sitting', 0.25 * length],
      ['dorsumHeightMm', 'standing', 0.25 * length - shares.drop],
    ]
    const round = (v: number) => Math.round(v * 2) / 2
    return {
      readings: rows.map(([what, posture, v]) => ({
        what,
        posture,
        trials: [round(v), round(v + 0.5)],
      })),
    }
  }
  return { left: side(0), right: side(2) }
}

export const shop = {
  name: 'Hollin Row Fit Room',
  fitter: 'Rhona Ketteridge',
  fingersMm: { one: 16, two: 33 },
}
export const NO_SIGNS = Object.fromEntries(
  SIGN_KINDS.filter((s) => s !== 'childLimps').map((s) => [s, 'no']),
)

/** A foot whose device is made from a blank gets the one of the house's shelf that lies best. */
export function onBlank(value: object): object {
  const foot = footSchema.parse(value)
  if (!foot.device) return value
  return { ...value, device: withBestBlank(foot.device, foot, HOUSE_TABLES.blanks, HOUSE_NORMS) }
}

/** Both feet with the same device. */
export function withDevice(
  feet: ReturnType<typeof madeUpFeet>,
  kind: DeviceKind,
  layers: unknown[] = [],
  more: object = {},
): unknown {
  const device = {
    kind,
    layers,
    ...(kind === 'full-custom' ? { shell: { thicknessMm: 3 } } : {}),
    ...more,
  }
  const foot = (f: { readings: unknown[] }) =>
    onBlank({
      ...f,
      findings: { sensationFelt: 10, pulses: 'both', deformity: 'none', skin: 'usual' },
      capture: { way: 'parametric' },
      device,
    })
  return { left: foot(feet.left), right: foot(feet.right) }
}

export const record = (value: object): FittingRecord =>
  recordSchema.parse({ format: 'gentle-arch/fitting', version: RECORD_VERSION, shop, ...value })
