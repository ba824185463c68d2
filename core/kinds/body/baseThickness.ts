import { bodyAmount, said } from './definition'

/** Thickness of a layer below the shell. */
export const baseThickness = bodyAmount({
  kind: 'baseThickness',
  name: 'Base',
  note: 'below the shell',
  full: 'Base thickness',
  group: 'Shell and cover',
  unit: 'mm',
  step: 0.5,
  range: [0, 20],
  fallback: null,
  start: 2,
  usual: null,
  call: null,
  plain: null,
  child: 'outgrown soon: a lesser measure first',
  insensate: 'soft below is welcome: it takes the peaks',
  read: (d) => d.shell.base?.thicknessMm,
  write: (d, v) => ({
    ...d,
    shell: {
      ...d.shell,
      base:
        v === 0
          ? undefined
          : { material: 'eva-60', reach: 'shell' as const, ...d.shell.base, thicknessMm: v },
    },
  }),
  sheet: {
    line: 'base',
    words: (d) =>
      d.shell.base && d.shell.base.thicknessMm > 0 ? `${said(d.shell.base.thicknessMm)} mm` : null,
  },
  takesMm: (d) => {
    const { base } = d.shell
    if (!base) return {}
    const mm = base.thicknessMm
    return {
      heel: mm,
      arch: mm,
      ball: base.reach === 'shell' ? 0 : mm,
      toes: base.reach === 'full' ? mm : 0,
    }
  },
  drawn: 'section',
})
