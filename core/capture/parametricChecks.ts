import { soleParameters, type AssumedParameter } from '../device/soleParameters'
import type { Foot } from '../record/schema'

/** The checks a captured shape has to pass; a parametric take has no shape of its own, so none can be seen. */
export const CAPTURE_CHECKS = [
  { code: 'heelUpright', name: 'Heel upright', limit: 'within 2°' },
  { code: 'midfootLocked', name: 'Midfoot locked', limit: 'sag up to 2 mm' },
  { code: 'forefootAngle', name: 'Forefoot to rearfoot', limit: 'within 2°' },
  { code: 'firstRay', name: 'First ray free', limit: 'within 2 mm' },
  { code: 'toes', name: 'Toes not clawed', limit: 'small' },
  { code: 'fingerDents', name: 'Finger dents', limit: 'small' },
  { code: 'levelHeelBall', name: 'Heel and ball level', limit: 'within 4 mm' },
  { code: 'archHeight', name: 'Arch against measures', limit: 'within 3 mm' },
  { code: 'coverage', name: 'Coverage', limit: '95 % of the sole' },
] as const

const WORDS: Record<AssumedParameter, string> = {
  forefootWidthMm: 'forefoot width (expected for the length)',
  heelWidthMm: 'heel width (0.245 of the length)',
  navicularHeightMm: 'arch height (from the arch index, own assumption)',
  forefootDeg: 'forefoot angle (0°)',
}

/** The parametric take of a foot: what it was built from, what was assumed, and every check as not seen with the reason. */
export function parametricTake(foot: Foot) {
  const found = soleParameters(foot)
  return {
    parameters: found?.parameters ?? null,
    assumed: found?.assumed.map((a) => WORDS[a]) ?? [],
    checks: CAPTURE_CHECKS.map((check) => ({ ...check, verdict: 'not seen' as const, because: 'drawn from the readings, no shape was taken' })),
  }
}
