import { contourRings, type ContourRing } from '../device/contours'
import type { Device } from '../record/schema'
import { contactOnDevice, type ContactGround, type ContactResult } from './contact'
import { plainOf } from './contactReport'
import { effectOf, type ContactEffect } from './contactEffect'
import { sensorMean, type PressureRegion } from './pressureRegions'

/** Rings of the pressure terrain are so far apart, kPa. */
const PRESSURE_INTERVAL_KPA = 20

/** What is drawn and told of one contact. */
export interface PressurePicture {
  rings: ContourRing[]
  peakKPa: Record<PressureRegion, number>
  share: Record<PressureRegion, number>
  peakAt: { xMm: number; yMm: number }
  momentNmm: number
  momentFixedNmm: number
  rollDeg: number
  rest: ContactResult['rest']
  copMm: { x: number; y: number }
  flagged: boolean
}

/** A contact as a picture: rings of equal pressure of a 5 mm mean, kPa. */
export function pressurePicture(
  { field }: ContactGround,
  {
    solution,
    peakKPa,
    peakAt,
    share,
    momentNmm,
    momentFixedNmm,
    rollDeg,
    rest,
    copMm,
    flagged,
  }: ContactResult,
): PressurePicture {
  const kPa = sensorMean(field, solution.pressure).map((p) => 1000 * p)
  return {
    rings: contourRings(field, kPa, (i) => field.mask[i] === 1, PRESSURE_INTERVAL_KPA).filter(
      (r) => r.heightMm > 0,
    ),
    peakKPa,
    peakAt,
    share,
    momentNmm,
    momentFixedNmm,
    rollDeg,
    rest,
    copMm,
    flagged,
  }
}

/** What a device does against the plain one, and on the floor. */
export interface DeviceEffects {
  change: ContactEffect
  device: ContactResult
  plain: ContactResult
}

/** Contact of a device and of the plain one under the same foot. */
export function deviceEffects(
  ground: ContactGround,
  device: Device,
  give?: Float64Array,
  start?: DeviceEffects,
): DeviceEffects {
  const plain = contactOnDevice(ground, plainOf(device), { give, start: start?.plain })
  const own = contactOnDevice(ground, device, { give, start: start?.device ?? plain })
  return { change: effectOf(plain, own), device: own, plain }
}
