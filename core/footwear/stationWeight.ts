import { FAMILY_KINDS, type Family } from '../kinds/families/all'
import type { Station } from '../kinds/stations/all'
import type { Norms } from '../record/tables'

/**
 * Weight of a millimetre of misfit at a station; one that a family does not hold the foot by
 * decides little.
 */
export const stationWeight = (
  family: Family,
  station: Station,
  { otherStation }: Norms['rankingWeights'],
): number => FAMILY_KINDS.of(family).weights[station] ?? otherStation
