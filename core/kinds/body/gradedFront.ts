import { bodyAmount, NOTHING, said } from './definition'

/** Another thickness at the front edge, blended into the others. */
export const gradedFront = bodyAmount({
  kind: 'gradedFront',
  name: 'at the front edge',
  note: 'graded',
  full: 'Shell thickness at the front edge',
  group: 'Shell and cover',
  unit: 'mm',
  step: 0.5,
  range: [0.5, 20],
  fallback: null,
  start: 3,
  usual: null,
  call: null,
  plain: null,
  child: 'thinner than for an adult: it has to give',
  insensate: 'not stiff: total contact on a shell that gives',
  read: (d) => d.shell.graded?.frontMm,
  write: (d, v) => ({ ...d, shell: { ...d.shell, graded: { ...d.shell.graded, frontMm: v } } }),
  sheet: {
    line: 'shell',
    words: (d) =>
      d.shell.graded ? `front ${said(d.shell.graded.frontMm ?? d.shell.thicknessMm)}` : null,
  },
  takesMm: NOTHING,
  drawn: 'section',
})
