import type { DeviceKind } from '../record/vocabulary'
import { HOUSE_NORMS, type Norms } from './normsTable'

/**
 * Length of the foot as it stands on a device: L_stand − c·clamp(L_stand − L_sit, 0, 8 mm); the shares c are a house assumption, to be
 * corrected from shell checks with and without the device.
 *
 * @param sittingMm undefined when it was not taken: then nothing is won back
 * @example supportedLengthMm(266, 262, 'full-custom') // 263.2
 */
export function supportedLengthMm(
  standingMm: number,
  sittingMm: number | undefined,
  support: DeviceKind,
  norms: Pick<Norms, 'supportShare' | 'growthCapMm'> = HOUSE_NORMS,
): number {
  const growth =
    sittingMm === undefined ? 0 : Math.min(norms.growthCapMm, Math.max(0, standingMm - sittingMm))
  return standingMm - norms.supportShare[support] * growth
}
