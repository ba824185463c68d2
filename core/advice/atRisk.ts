import { LAYERS } from '../kinds/layers/all'
import type { Change } from './entry'

/** The one cover that is soft under skin that does not feel. */
const SOFT_COVER = 'eva-35'

/**
 * May this never be suggested for a foot at risk (feeling lost, flow reduced, or not graded where a condition asks
 * for it)? A push, a wall or a cut edge where nothing is felt, heat on the foot, a hard cover.
 *
 * Source: handbook of cautions; in the manner of the international diabetic-foot guidance.
 */
export function isUnsafeAtRisk(change: Change | null): boolean {
  if (!change) return false
  if ('layer' in change) {
    const { neverInsensate, edged } = LAYERS.of(change.layer)
    return neverInsensate === true || edged
  }
  if ('device' in change) return change.device === 'heat-moulded'
  if ('shell' in change) {
    const { coverMaterial } = change.shell
    return coverMaterial !== undefined && coverMaterial !== SOFT_COVER
  }
  return false
}
