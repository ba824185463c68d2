import { z } from 'zod'
import { markSchema } from './markSchema'
import { own } from './definition'

export const marks = own({
  kind: 'marks',
  group: 'marks',
  name: 'Marks on the skin',
  how: 'by tapping on the drawn foot',
  plain: 'marks on the skin',
  child: 'looked at as in adults',
  insensate: 'every mark counts: nothing warns of it',
  schema: z.array(markSchema).max(60),
  sheet: (marks) => marks.map((m) => `${m.kind} ${m.view}`).join(', ') || null,
})
