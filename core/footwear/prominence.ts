import type { Foot } from '../record/schema'
import type { Norms } from '../record/tables'
import { stationAt } from './character'

/**
 * Bumps beside the fifth toe, the fifth met head and the navicular: how far each stands out of the
 * smooth line, mm. From marked bony points and lumps; a place without a mark is unknown, not
 * smooth.
 *
 * @param lengthMm foot length, to know where along the foot a mark lies
 */
export function proudOf(
  foot: Foot,
  lengthMm: number,
  { usualBumpMm }: Pick<Norms, 'usualBumpMm'>,
): Partial<Record<'fifthToe' | 'fifthMet' | 'navicular', number>> {
  const out: Partial<Record<'fifthToe' | 'fifthMet' | 'navicular', number>> = {}
  for (const mark of foot.findings?.marks ?? []) {
    if (mark.kind !== 'bonyPoint' && mark.kind !== 'lump') continue
    const station = stationAt(mark.view, mark.xMm, mark.yMm, lengthMm)
    if (station !== 'fifthToe' && station !== 'fifthMet' && station !== 'navicular') continue
    out[station] = Math.max(out[station] ?? 0, mark.proudMm ?? usualBumpMm)
  }
  return out
}
