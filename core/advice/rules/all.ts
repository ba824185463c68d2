import type { Rule } from '../rule'
import { CHILDREN } from './children'
import { CAUTIONS } from './health'
import { COMFORT } from './comfort'
import { FOOTWEAR } from './footwear'
import { NEUTRAL } from './neutral'
import { PLATFORM } from './platform'
import { SAGITTAL } from './sagittal'
import { TISSUE_STRESS } from './tissueStress'
import { TRUST } from './trust'

/** Every rule of the ledger. */
export const RULES: readonly Rule[] = [
  ...CAUTIONS,
  ...TRUST,
  ...CHILDREN,
  ...TISSUE_STRESS,
  ...NEUTRAL,
  ...SAGITTAL,
  ...PLATFORM,
  ...COMFORT,
  ...FOOTWEAR,
]
