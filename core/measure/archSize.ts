import type { Foot } from '../record/schema'
import type { Norms } from '../record/tables'
import { bestMean } from './reading'

/**
 * Length of the foot that would have this arch length, mm; undefined where it was not taken.
 *
 * For instance `archSizeLengthMm(footWithArch193, HOUSE_NORMS)` is 264.4
 */
export function archSizeLengthMm(
  foot: Foot,
  { archShare }: Pick<Norms, 'archShare'>,
): number | undefined {
  const arch = bestMean(foot, 'archLengthMm', 'standing')
  return arch === undefined ? undefined : arch / archShare
}
