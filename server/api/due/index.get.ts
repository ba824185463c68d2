import { getQuery } from 'h3'
import { z } from 'zod'
import { parseWith } from '../../../core/record/parse'
import { dueCounts, dueRows } from '../../database/due'
import { database } from '../../database/pool'
import { localDay } from '../../http/day'
import { route } from '../../http/route'

/** Lines of one answer; the screen asks for more. */
const PAGE = 200

const query = z.object({
  kind: z.enum(['outcome', 'visit', 'outgrown', 'remake', 'guarantee']).optional(),
  from: z.coerce.number().int().min(0).max(10_000_000).default(0),
})

/** What is due: answers to ask for, visits, children who outgrow, guarantees that end. */
export default route({ permission: 'clients.see' }, async ({ event, person }) => {
  const { kind, from } = parseWith(query, getQuery(event), 'query')
  const today = localDay()
  const db = database()
  return {
    today,
    counts: await dueCounts(db, person.shopId, today),
    due: await dueRows(db, person.shopId, today, { ...(kind && { kind }), from, most: PAGE }),
  }
})
