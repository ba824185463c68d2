import { bodyAmount, NOTHING, said } from './definition'

/** Height of the inner top line; as high as the foot's own border where nobody set it. */
export const medialTop = bodyAmount({
  kind: 'medialTop',
  name: 'Inner top line',
  note: 'beside the midfoot',
  full: 'Inner top line',
  group: 'Outline',
  unit: 'mm',
  step: 1,
  range: [0, 40],
  fallback: null,
  start: 8,
  usual: null,
  call: null,
  plain: null,
  child: 'outgrown soon: a lesser measure first',
  insensate: 'low enough that no edge is met',
  read: (d) => d.outline.medialTopMm,
  write: (d, v) => ({ ...d, outline: { ...d.outline, medialTopMm: v === 0 ? undefined : v } }),
  sheet: {
    line: 'tops',
    words: (d) =>
      d.outline.medialTopMm === undefined
        ? null
        : `Inner top line ${said(d.outline.medialTopMm)} mm`,
  },
  takesMm: NOTHING,
  drawn: 'rim',
})
