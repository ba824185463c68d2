import type { ShellBody } from './bodySolid'
import type { LayerResult } from './surface'

/** A layer counts where it is at least this share of what it is at its most. */
const FULL_SHARE = 0.9

/**
 * How far a layer comes on the finished body, a magnitude in mm: less than was asked where the shell would
 * get too thin or come through the floor. Of the places where it is asked in full the worst counts; what
 * lies beyond the shell is a piece of its own and as deep as asked.
 */
export function reachedMm({ missed, inside }: ShellBody, { change, peakMm }: LayerResult): number {
  if (!missed) return peakMm
  let most = 0
  for (let i = 0; i < change.length; i++) if (inside[i]! > 0) most = Math.max(most, -change[i]!)
  let worst = 0
  for (let i = 0; i < change.length; i++)
    if (inside[i]! > 0 && most > 0 && -change[i]! >= FULL_SHARE * most)
      worst = Math.max(worst, missed[i]!)
  return Math.max(0, peakMm - worst)
}
