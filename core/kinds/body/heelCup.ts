import { bodyAmount, NOTHING, said } from './definition'

/** Height of the wall around the heel. */
export const heelCup = bodyAmount({
  kind: 'heelCup',
  name: 'Heel cup',
  note: '8 low, 12–14 usual, 16–18 deep',
  full: 'Heel cup',
  group: 'Outline',
  unit: 'mm',
  step: 1,
  range: [0, 40],
  fallback: 14,
  start: 14,
  usual: [8, 18],
  call: 'cup',
  plain: null,
  child: 'not deeper than 40 % of the heel',
  insensate: 'deep and soft: it gathers the pad',
  read: (d) => d.outline.heelCupMm,
  write: (d, v) => ({ ...d, outline: { ...d.outline, heelCupMm: v } }),
  sheet: { line: 'cup', words: (d) => `Heel cup ${said(d.outline.heelCupMm)} mm` },
  takesMm: NOTHING,
  drawn: 'rim',
})
