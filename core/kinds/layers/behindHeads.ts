import type { AmountRule } from './amountRule'

/** How far a pad's front edge lies behind the heads it unloads. */
export const BEHIND_HEADS: AmountRule = {
  key: 'behindHeadsMm',
  label: 'behind the heads',
  unit: 'mm',
  step: 1,
  fallback: 8,
  presets: [6, 8, 10],
  usual: [5, 12],
  range: [-20, 60],
}
