import { bodyAmount, NOTHING, said } from './definition'

/** Another thickness under the heel, blended into the others. */
export const gradedHeel = bodyAmount({
  kind: 'gradedHeel',
  name: 'under the heel',
  note: 'graded',
  full: 'Shell thickness under the heel',
  group: 'Shell and cover',
  unit: 'mm',
  step: 0.5,
  range: [0.5, 20],
  fallback: null,
  start: 4,
  usual: null,
  call: null,
  plain: null,
  child: 'thinner than for an adult: it has to give',
  insensate: 'not stiff: total contact on a shell that gives',
  read: (d) => d.shell.graded?.heelMm,
  write: (d, v) => ({ ...d, shell: { ...d.shell, graded: { ...d.shell.graded, heelMm: v } } }),
  sheet: {
    line: 'shell',
    words: (d) =>
      d.shell.graded ? `heel ${said(d.shell.graded.heelMm ?? d.shell.thicknessMm)}` : null,
  },
  takesMm: NOTHING,
  drawn: 'section',
})
