import { soleParameters, type AssumedParameter, type SoleRows } from '../device/soleParameters'
import type { Foot } from '../record/schema'

const WORDS: Record<AssumedParameter, string> = {
  forefootWidthMm: 'forefoot width (expected for the length)',
  heelWidthMm: 'heel width (0.245 of the length)',
  navicularHeightMm: 'arch height (from the arch index, own assumption)',
  forefootDeg: 'forefoot angle (0°)',
}

/** The sole of a foot that was not captured: what it is built from, and what was assumed. */
export function parametricTake(foot: Foot, rows: SoleRows) {
  const found = soleParameters(foot, rows)
  return {
    parameters: found?.parameters ?? null,
    assumed: found?.assumed.map((a) => WORDS[a]) ?? [],
  }
}
