import type { AmountRule } from './amountRule'
import type { Clash } from './definition'

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

/** What lies at or in front of the heads loads them. */
export const atTheHeads = (name: string): Clash<{ behindHeadsMm: number }> => ({
  code: 'pad-under-heads',
  kind: 'stop',
  when: (layer) => layer.behindHeadsMm <= 0,
  words: `The ${name} lies under the heads and would load them. Move it behind them.`,
  triggers: [],
})
