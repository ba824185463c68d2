import { bodyAmount, NOTHING, said } from './definition'

/** How far behind the met heads the shell ends. */
export const frontEdge = bodyAmount({
  kind: 'frontEdge',
  name: 'Front edge',
  note: 'behind the heads',
  full: 'Front edge behind the heads',
  group: 'Outline',
  unit: 'mm',
  step: 1,
  range: [-20, 60],
  fallback: 5,
  start: 5,
  usual: [0, 15],
  call: 'front',
  plain: null,
  child: 'leave it long: it grows',
  insensate: 'thin and soft: no edge under the heads',
  read: (d) => d.outline.distal.behindHeadsMm,
  write: (d, v) => ({ ...d, outline: { ...d.outline, distal: { behindHeadsMm: v } } }),
  sheet: {
    line: 'cup',
    words: (d) => `front edge ${said(d.outline.distal.behindHeadsMm)} mm behind the met heads`,
  },
  takesMm: NOTHING,
  drawn: 'outline',
})
