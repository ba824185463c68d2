import type { DeviceKind } from '../tables/vocabulary'
import type { Norms } from '../record/tables'

/**
 * Length of the foot as it stands on a device: L_stand − c·clamp(L_stand − L_sit, 0, cap); the
 * shares c are a house assumption, to be corrected from shell checks with and without the device.
 *
 * @param sittingMm undefined when it was not taken: then nothing is won back
 * @example supportedLengthMm(266, 262, 'full-custom', HOUSE_NORMS) // 263.2
 */
export function supportedLengthMm(
  standingMm: number,
  sittingMm: number | undefined,
  support: DeviceKind,
  norms: Pick<Norms, 'supportShare' | 'growthCapMm'>,
): number {
  const growth =
    sittingMm === undefined ? 0 : Math.min(norms.growthCapMm, Math.max(0, standingMm - sittingMm))
  return standingMm - norms.supportShare[support] * growth
}
