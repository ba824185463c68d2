import { z } from 'zod'
import { own } from './definition'

export const axisAngleDeg = own({
  kind: 'axisAngleDeg',
  group: 'stance',
  name: 'Axis, turned in',
  how: 'in plan, against the foot’s own line',
  plain: 'how the line the heel turns about lies',
  child: 'looked at as in adults',
  insensate: 'look, do not ask',
  schema: z.number().min(0).max(60),
  sheet: (deg) => `${deg}°`,
})
