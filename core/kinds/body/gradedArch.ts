import { bodyAmount, NOTHING, said } from './definition'

/** Another thickness under the arch, blended into the others. */
export const gradedArch = bodyAmount({
  kind: 'gradedArch',
  name: 'under the arch',
  note: 'graded',
  full: 'Shell thickness under the arch',
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
  read: (d) => d.shell.graded?.archMm,
  write: (d, v) => ({ ...d, shell: { ...d.shell, graded: { ...d.shell.graded, archMm: v } } }),
  sheet: {
    line: 'shell',
    words: (d) =>
      d.shell.graded ? `arch ${said(d.shell.graded.archMm ?? d.shell.thicknessMm)}` : null,
  },
  takesMm: NOTHING,
  drawn: 'section',
})
