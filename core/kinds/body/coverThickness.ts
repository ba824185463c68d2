import { NO_COVER } from '../../tables/materials'
import { bodyAmount, said } from './definition'

/** Thickness of what lies on top, against the foot. */
export const coverThickness = bodyAmount({
  kind: 'coverThickness',
  name: 'Cover',
  note: 'top',
  full: 'Cover thickness',
  group: 'Shell and cover',
  unit: 'mm',
  step: 0.5,
  range: [0, 20],
  fallback: 2,
  start: 2,
  usual: null,
  call: null,
  plain: null,
  child: 'a soft cover is welcome',
  insensate: 'soft against the skin, no hard edge',
  read: (d) => d.shell.cover.thicknessMm,
  write: (d, v) => ({
    ...d,
    shell: { ...d.shell, cover: { ...d.shell.cover, thicknessMm: v } },
  }),
  sheet: {
    line: 'cover',
    words: (d) =>
      d.shell.cover.material === NO_COVER ? null : `${said(d.shell.cover.thicknessMm)} mm`,
  },
  takesMm: (d) => {
    const mm = d.shell.cover.material === NO_COVER ? 0 : d.shell.cover.thicknessMm
    const past = d.outline.distal.behindHeadsMm >= 0 && d.outline.cover === 'shell'
    return { heel: mm, arch: mm, ball: past ? 0 : mm, toes: d.outline.cover === 'full' ? mm : 0 }
  },
  drawn: 'section',
})
