import type { FittingRecord } from '../record/schema'
import type { Norms } from '../record/tables'
import type { Side } from '../tables/vocabulary'
import type { Contradiction } from './contradictions'
import { limitsOf } from './limits'

/**
 * How much higher (+) the left heel stands than the right beyond what the legs differ by, mm: posts, skives and
 * lifts lengthen a leg too. Anything up to the legs' own difference on the shorter side is meant so.
 *
 * @example unevenMm({ left: 9, right: 6 }, undefined) // 3
 */
export function unevenMm(
  heelMm: Record<Side, number>,
  leg: FittingRecord['legLengthDifferenceMm'],
): number {
  const difference = heelMm.left - heelMm.right
  const [low, high] =
    leg === undefined ? [0, 0] : leg.shorter === 'left' ? [0, leg.value] : [-leg.value, 0]
  return difference - Math.min(high, Math.max(low, difference))
}

/** Heels that stand unevenly on their devices, by more than their legs ask for. */
export function heelsContradiction(
  heelMm: Record<Side, number>,
  record: FittingRecord,
  rows: Norms,
): Contradiction[] {
  const leg = record.legLengthDifferenceMm
  const mm = unevenMm(heelMm, leg)
  const limit = limitsOf('heels-differ', rows)
  if (!limit.atLeast('mm', Math.abs(mm))) return []
  const [higher, lower] = mm > 0 ? ['left', 'right'] : ['right', 'left']
  return [
    {
      code: 'heels-differ',
      kind: 'watch',
      foot: 'both',
      words: `The ${higher} heel stands ${Math.abs(mm).toFixed(1)} mm higher on its device than the ${lower} one${leg ? ', beyond what the legs differ by' : ''}. A post, a skive or a lift lengthens a leg too.`,
      triggers: ['feet.left.device', 'feet.right.device', 'legLengthDifferenceMm'],
      source: 'height under the heel, measured on both bodies at rest',
      figures: limit.figures(),
    },
  ]
}
