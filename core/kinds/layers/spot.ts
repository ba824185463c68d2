import { stored, type AmountRule } from './amountRule'

/** Where a spot may lie on the sole: to either side of the axis, and from the heel, mm. */
export const SPOT_HALF_MM = 80
export const SPOT_LENGTH_MM = 400

const X: AmountRule = {
  key: 'xMm',
  label: 'from the axis, + medial',
  unit: 'mm',
  step: 1,
  fallback: 0,
  presets: [],
  usual: [-60, 60],
  range: [-SPOT_HALF_MM, SPOT_HALF_MM],
}
const Y: AmountRule = {
  key: 'yMm',
  label: 'from the heel',
  unit: 'mm',
  step: 1,
  fallback: 35,
  presets: [],
  usual: [0, 330],
  range: [0, SPOT_LENGTH_MM],
}
const RADIUS: AmountRule = {
  key: 'radiusMm',
  label: 'radius',
  unit: 'mm',
  step: 1,
  fallback: 12,
  presets: [8, 12, 18],
  usual: [8, 25],
  range: [0, 40],
}

/** Numbers of a spot on the foot map, and how the record keeps them. */
export const SPOT_NUMBERS = [X, Y, RADIUS] as const
export const spotSchema = { xMm: stored(X), yMm: stored(Y), radiusMm: stored(RADIUS) }
