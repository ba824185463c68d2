import { z } from 'zod'
import { own } from './definition'

export const calf = own({
  kind: 'calf',
  group: 'skin',
  name: 'Calf',
  how: 'fullest height, mm; shape',
  plain: 'the shape of the calf',
  child: 'looked at as in adults',
  insensate: 'look, do not ask',
  schema: z.strictObject({
    lowMm: z.number().min(100).max(500).optional(),
    shape: z.enum(['slim', 'usual', 'full']).optional(),
  }),
  sheet: (calf) =>
    [calf.shape, calf.lowMm !== undefined && `fullest at ${calf.lowMm} mm`]
      .filter(Boolean)
      .join(', ') || null,
})
