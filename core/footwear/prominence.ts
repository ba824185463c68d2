import type { Foot } from '../record/schema'
import type { Norms } from '../record/tables'
import { BUMP_STATIONS, type BumpStation } from '../kinds/stations/definition'
import { stationAt } from './character'

const isBump = (station: string | undefined): station is BumpStation =>
  (BUMP_STATIONS as readonly (string | undefined)[]).includes(station)

/**
 * Bumps beside the fifth toe, the outer met heads and the navicular: how far each stands out of the
 * smooth line, mm. From marked bony points and lumps; a place without a mark is unknown, not
 * smooth.
 *
 * @param lengthMm foot length, to know where along the foot a mark lies
 */
export function proudOf(
  foot: Foot,
  lengthMm: number,
  { usualBumpMm }: Pick<Norms, 'usualBumpMm'>,
): Partial<Record<BumpStation, number>> {
  const out: Partial<Record<BumpStation, number>> = {}
  for (const mark of foot.findings?.marks ?? []) {
    if (mark.kind !== 'bonyPoint' && mark.kind !== 'lump') continue
    const station = stationAt(mark.view, mark.xMm, mark.yMm, lengthMm)
    if (!isBump(station)) continue
    out[station] = Math.max(out[station] ?? 0, mark.proudMm ?? usualBumpMm)
  }
  return out
}
