import type { DeviceKind } from '../record/vocabulary'

/** Share of the standing growth that a support wins back (house assumption, to be corrected from shell checks). */
export const SUPPORT_SHARE: Record<DeviceKind, number> = { none: 0, 'trim-to-fit': 0.3, 'heat-moulded': 0.5, 'full-custom': 0.7 }

/** Largest sit–stand growth that counts, mm. */
export const GROWTH_CAP_MM = 8

/**
 * Length of the foot as it stands on a device: L_stand − c·clamp(L_stand − L_sit, 0, 8 mm).
 *
 * @param sittingMm undefined when it was not taken: then nothing is won back
 * @example supportedLengthMm(266, 262, 'full-custom') // 263.2
 */
export function supportedLengthMm(standingMm: number, sittingMm: number | undefined, support: DeviceKind): number {
  const growth = sittingMm === undefined ? 0 : Math.min(GROWTH_CAP_MM, Math.max(0, standingMm - sittingMm))
  return standingMm - SUPPORT_SHARE[support] * growth
}
