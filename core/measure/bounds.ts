import type { ReadingKind } from '../record/vocabulary'

/** Values outside these are refused at any age, mm (house limits, kept wide). */
export const HARD_BOUNDS_MM: Record<ReadingKind, readonly [number, number]> = {
  footLengthMm: [80, 400],
  archLengthMm: [50, 300],
  forefootWidthMm: [20, 180],
  heelWidthMm: [20, 180],
  ballGirthMm: [80, 500],
  waistGirthMm: [80, 500],
  instepGirthMm: [80, 500],
  heelInstepGirthMm: [80, 500],
  ankleGirthMm: [80, 500],
  calfGirthMm: [100, 700],
  dorsumHeightMm: [5, 150],
  navicularHeightMm: [5, 150],
  medialMalleolusHeightMm: [20, 130],
  lateralMalleolusHeightMm: [20, 130],
  malleolusWidthMm: [20, 180],
  toeBoxHeightMm: [5, 150],
  secondToeLeadMm: [-40, 40],
  secondMetLeadMm: [-40, 40],
}

/** Spread of trials above which one more is asked for, mm (workshop defaults). */
export const SPREAD_LIMIT_MM: Record<ReadingKind, number> = {
  footLengthMm: 2,
  archLengthMm: 3,
  forefootWidthMm: 2,
  heelWidthMm: 2,
  ballGirthMm: 3,
  waistGirthMm: 3,
  instepGirthMm: 3,
  heelInstepGirthMm: 4,
  ankleGirthMm: 3,
  calfGirthMm: 5,
  dorsumHeightMm: 2,
  navicularHeightMm: 2,
  medialMalleolusHeightMm: 2,
  lateralMalleolusHeightMm: 2,
  malleolusWidthMm: 2,
  toeBoxHeightMm: 2,
  secondToeLeadMm: 1,
  secondMetLeadMm: 1,
}

/** A left–right gap above this asks 'sure?', mm. */
export const SIDE_GAP_MM = 12
