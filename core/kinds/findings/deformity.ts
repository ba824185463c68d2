import { choice } from './definition'

export const deformity = choice({
  kind: 'deformity',
  group: 'skin',
  name: 'Deformity',
  how: 'toes, prominences, shape',
  plain: 'the shape of toes and bones',
  child: 'looked at as in adults',
  insensate: 'with lost feeling it raises the grade',
  harm: { none: 0, present: 1 },
  options: [
    ['none', 'none'],
    ['present', 'present'],
  ],
})
