import { firstRayRestMm, heldNeutral, type NeutralSource } from '../../examine/heldAs'
import { archHeightIndexOf } from '../../measure/archIndex'
import { bestMean } from '../../measure/reading'
import type { Foot } from '../../record/schema'

/** What is known of a foot from hands and eyes, that its captured shape is held against. */
export interface Examined {
  neutralDeg: number
  neutralFrom: NeutralSource
  forefootDeg: number | null
  /**
   * how far the first head should rest above (+) or below the others, mm; null when not examined
   */
  firstRayMm: number | null
  navicularHeightMm: number | null
  navicularFrom: 'measured' | 'arch index' | null
}

/**
 * Gathers what a capture is judged against. Without a navicular height it follows 44 + 220·(AHI −
 * 0.36), an own assumption.
 */
export function examinedOf(foot: Foot | undefined): Examined {
  const neutral = heldNeutral(foot?.findings)
  const forefoot = foot?.findings?.forefootDeg
  const measured = foot && bestMean(foot, 'navicularHeightMm', 'standing')
  const index = foot && (archHeightIndexOf(foot, 'standing') ?? archHeightIndexOf(foot, 'sitting'))
  return {
    neutralDeg: neutral.deg,
    neutralFrom: neutral.from,
    forefootDeg:
      forefoot && forefoot.length > 0
        ? forefoot.reduce((a, b) => a + b, 0) / forefoot.length
        : null,
    firstRayMm: firstRayRestMm(foot?.findings),
    navicularHeightMm: measured ?? (index !== undefined ? 44 + 220 * (index - 0.36) : null),
    navicularFrom: measured !== undefined ? 'measured' : index !== undefined ? 'arch index' : null,
  }
}
