import { bodyAmount, NOTHING, said } from './definition'

/** Height of the outer top line; as high as the foot's own border where nobody set it. */
export const lateralTop = bodyAmount({
  kind: 'lateralTop',
  name: 'Outer top line',
  note: 'beside the midfoot',
  full: 'Outer top line',
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
  read: (d) => d.outline.lateralTopMm,
  write: (d, v) => ({ ...d, outline: { ...d.outline, lateralTopMm: v === 0 ? undefined : v } }),
  sheet: {
    line: 'tops',
    words: (d) =>
      d.outline.lateralTopMm === undefined
        ? null
        : `Outer top line ${said(d.outline.lateralTopMm)} mm`,
  },
  takesMm: NOTHING,
  drawn: 'rim',
})
