import { bodyAmount, NOTHING, said } from './definition'

/** Thickness of the shell, where nothing else is said for a part of it. */
export const shellThickness = bodyAmount({
  kind: 'shellThickness',
  name: 'Shell',
  note: 'thickness',
  full: 'Shell thickness',
  group: 'Shell and cover',
  unit: 'mm',
  step: 0.5,
  range: [0.5, 20],
  fallback: 4,
  start: 4,
  usual: null,
  call: 'shell',
  plain: null,
  child: 'thinner than for an adult: it has to give',
  insensate: 'not stiff: total contact on a shell that gives',
  read: (d) => d.shell.thicknessMm,
  write: (d, v) => ({ ...d, shell: { ...d.shell, thicknessMm: v } }),
  sheet: { line: 'shell', words: (d) => `${said(d.shell.thicknessMm)} mm` },
  takesMm: NOTHING,
  drawn: 'section',
})
