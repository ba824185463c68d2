import type { ReadingKind } from '../record/vocabulary'

/** Where a constant comes from: only `checked` may be named as a source to users. */
export type SourceState = 'checked' | 'from memory' | 'own assumption'

/**
 * Ratio of a reading to foot length in adults: mean and SD. House table, used only to ask 'sure?' beyond 3.5 SD and never as a finding.
 */
export const RATIO_NORMS: Partial<
  Record<ReadingKind, { mean: number; sd: number; state: SourceState }>
> = {
  archLengthMm: { mean: 0.73, sd: 0.017, state: 'own assumption' },
  forefootWidthMm: { mean: 0.377, sd: 0.021, state: 'own assumption' },
  heelWidthMm: { mean: 0.245, sd: 0.019, state: 'own assumption' },
  ballGirthMm: { mean: 0.935, sd: 0.05, state: 'own assumption' },
  waistGirthMm: { mean: 0.92, sd: 0.055, state: 'own assumption' },
  instepGirthMm: { mean: 0.945, sd: 0.055, state: 'own assumption' },
  heelInstepGirthMm: { mean: 1.27, sd: 0.06, state: 'own assumption' },
  ankleGirthMm: { mean: 0.85, sd: 0.07, state: 'own assumption' },
  dorsumHeightMm: { mean: 0.248, sd: 0.026, state: 'own assumption' },
  navicularHeightMm: { mean: 0.166, sd: 0.035, state: 'own assumption' },
}

/** Expected forefoot width per mm of foot length (workshop default). */
export const WIDTH_PER_LENGTH = 0.377

/**
 * Expected forefoot width, mm.
 *
 * @example expectedForefootWidthMm(280) // 105.56
 */
export const expectedForefootWidthMm = (
  footLengthMm: number,
  widthPerLength: number = WIDTH_PER_LENGTH,
): number => widthPerLength * footLengthMm
