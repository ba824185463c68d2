import { ankleGirthMm } from './ankleGirthMm'
import { ballHeightMm } from './ballHeightMm'
import { archLengthMm } from './archLengthMm'
import { ballGirthMm } from './ballGirthMm'
import { calfGirthMm } from './calfGirthMm'
import { dorsumHeightMm } from './dorsumHeightMm'
import { footLengthMm } from './footLengthMm'
import { forefootWidthMm } from './forefootWidthMm'
import { heelInstepGirthMm } from './heelInstepGirthMm'
import { heelWidthMm } from './heelWidthMm'
import { instepGirthMm } from './instepGirthMm'
import { lateralMalleolusHeightMm } from './lateralMalleolusHeightMm'
import { malleolusWidthMm } from './malleolusWidthMm'
import { medialMalleolusHeightMm } from './medialMalleolusHeightMm'
import { navicularHeightMm } from './navicularHeightMm'
import { navicularNeutralMm } from './navicularNeutralMm'
import { secondMetLeadMm } from './secondMetLeadMm'
import { secondToeLeadMm } from './secondToeLeadMm'
import { toeBoxHeightMm } from './toeBoxHeightMm'
import { toeWidthMm } from './toeWidthMm'
import { waistGirthMm } from './waistGirthMm'
import { registry } from '../registry'
import type { ReadingDefinition } from './definition'

/** Every kind of reading, lengths and widths first, then girths, then heights, then leads. */
const LIST = [
  footLengthMm,
  archLengthMm,
  forefootWidthMm,
  heelWidthMm,
  toeWidthMm,
  ballGirthMm,
  waistGirthMm,
  instepGirthMm,
  heelInstepGirthMm,
  ankleGirthMm,
  calfGirthMm,
  dorsumHeightMm,
  navicularHeightMm,
  navicularNeutralMm,
  medialMalleolusHeightMm,
  lateralMalleolusHeightMm,
  malleolusWidthMm,
  toeBoxHeightMm,
  ballHeightMm,
  secondToeLeadMm,
  secondMetLeadMm,
] as const

export type ReadingKind = (typeof LIST)[number]['kind']
export const READINGS = registry<ReadingDefinition<ReadingKind>>(LIST)
export const READING_KINDS = READINGS.kinds
